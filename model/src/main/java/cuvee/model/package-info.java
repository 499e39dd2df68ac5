/**
 * The window without the window: what it shows and what can be done, as properties and commands. Depends on
 * javafx-base only, so that it runs and is tested without a toolkit.
 */
package cuvee.model;
