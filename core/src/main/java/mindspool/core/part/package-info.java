/** Parts from files: meshes and print files read, measured and held against what a print can do. */
package mindspool.core.part;
