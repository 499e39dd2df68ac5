/** The command line over the engine: a contract that other programs rely on (docs/command-line.md). */
package cuvee.command;
