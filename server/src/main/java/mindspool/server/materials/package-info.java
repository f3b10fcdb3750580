/** The materials that the program knows, with the source of every figure. */
package mindspool.server.materials;
