/** Reading the files that climate loggers write, whatever their delimiter, units and dates. */
package mindspool.core.climate.log;
