/**
 * Charts of summaries: which form fits a summary, and its picture. The picture is drawn in memory by a charting library, for
 * the window as for a file; nothing here knows of a window.
 */
@NullMarked
package cuvee.chart;

import org.jspecify.annotations.NullMarked;
