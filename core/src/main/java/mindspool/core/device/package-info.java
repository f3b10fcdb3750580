/** What devices measure, in which units they say it, and when a scale has come to rest. */
package mindspool.core.device;
