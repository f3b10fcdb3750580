/**
 * Worksheets of a lot and a machine: the value that measurements give, how sure it is, and which
 * measurements do not belong.
 */
package mindspool.core.calibration;
