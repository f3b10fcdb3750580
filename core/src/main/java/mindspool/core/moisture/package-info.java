/**
 * Water in a wound spool: diffusion in the filament, vapour transport between its wraps, heat, and
 * the replay of a spool's whole history.
 */
package mindspool.core.moisture;
