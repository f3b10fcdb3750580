/**
 * The rules of looking after filament, in plain Java: values that check themselves and classes
 * named after what they compute. Nothing here knows of HTTP, a database or a clock; time arrives as
 * an argument.
 */
package mindspool.core;
