/** What a polymer is: limits, sorption, diffusion, drying temperatures, each with its source. */
package mindspool.core.material;
