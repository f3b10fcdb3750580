/**
 * Closed places: how the air in a box or bag follows from what leaks in, what takes water up inside
 * it, and how long it stays dry.
 */
package mindspool.core.storage;
