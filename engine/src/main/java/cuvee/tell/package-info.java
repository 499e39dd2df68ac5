/**
 * What a refresh came to, in words: the outcome with its verdict, the job in sentences, the trail of a cell, the account to
 * hand over and the page for a sender. Window, command line and files say the same because they take it from here. It must
 * not change anything.
 */
package cuvee.tell;
