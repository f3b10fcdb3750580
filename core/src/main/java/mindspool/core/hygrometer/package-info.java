/**
 * Hygrometers: checking them over salts, correcting them, and telling when they cannot be right.
 */
package mindspool.core.hygrometer;
