/** What lies on the shelf: codes, reels and their tare, mass and length left, winding geometry. */
package mindspool.core.stock;
