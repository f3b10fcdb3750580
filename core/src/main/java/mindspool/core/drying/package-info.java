/**
 * Drying: the safe temperature and what sets it, the floor of the room's air, hours to the core.
 */
package mindspool.core.drying;
