/** An invented workshop to look at: places, weather and spools, always up to today. */
package mindspool.server.demo;
