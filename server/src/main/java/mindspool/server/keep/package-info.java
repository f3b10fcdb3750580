/** Keeps what is stored: on the disk before it is promised, watched, backed up and restored. */
package mindspool.server.keep;
