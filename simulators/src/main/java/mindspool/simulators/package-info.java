/**
 * A stand-in workshop: weather, rooms, boxes, and spools with a true state that the application
 * never sees. Its devices have errors of their own and talk over MQTT only, as hardware would.
 * Everything here is invented.
 */
package mindspool.simulators;
