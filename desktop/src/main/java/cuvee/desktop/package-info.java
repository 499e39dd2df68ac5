/** Views, controls and theme: thin, and the only place that wires services. It decides nothing about data. */
package cuvee.desktop;
