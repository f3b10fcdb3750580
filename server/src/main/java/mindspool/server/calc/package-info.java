/** The public computation API: what core computes, asked without stored data. */
package mindspool.server.calc;
