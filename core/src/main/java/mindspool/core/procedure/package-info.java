/**
 * Work at the bench step by step: where to stop, how long to wait, and what measured values say.
 */
package mindspool.core.procedure;
