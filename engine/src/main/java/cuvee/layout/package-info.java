/**
 * Tables with the same headers in the same order are one layout; layouts that share headers are a family, and one family
 * makes the master. It must not know files or the store.
 */
package cuvee.layout;
