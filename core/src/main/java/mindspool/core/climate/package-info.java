/** Air: saturation, dew point, vapour density; climate logs and what to expect of the next days. */
package mindspool.core.climate;
