/** Lines on walls: brightness along the height, what repeats in it, what two walls share. */
package mindspool.core.lines;
