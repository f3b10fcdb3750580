/** What wears with use and time, and when it is due. Intervals are common practice. */
package mindspool.core.upkeep;
