/** Places and the air in them: logs imported or climates typed, and what to expect of them. */
package mindspool.server.climate;
