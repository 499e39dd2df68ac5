/**
 * The demo: Farsound Ferries, a made-up ferry line with six made-up ports, each with its own habits in sending returns.
 * The program writes the files and the truth from the same data; everything in them is made up.
 */
package cuvee.demo;
