/**
 * Receive and Shelf: spools, the facts about them, and what the replay of those facts says of their
 * water now and in the days ahead.
 */
package mindspool.server.shelf;
