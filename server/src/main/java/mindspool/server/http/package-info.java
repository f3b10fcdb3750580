/** What every station shares at its edge: errors as problems, security headers, page routes. */
package mindspool.server.http;
