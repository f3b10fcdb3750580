/**
 * What makes a print hold: its corners on the plate, its layers to one another, its melt in the
 * nozzle. Constants are fitted to facts of the trade; directions and orders are sure, absolute
 * figures are good to about a third.
 */
package mindspool.core.print;
