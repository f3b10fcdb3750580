/**
 * Mistreats a running program from outside: kills it while people work, sends what no page would
 * send. The tests do a little of it, {@code bench} as much as is wanted.
 */
package mindspool.simulators.hardship;
