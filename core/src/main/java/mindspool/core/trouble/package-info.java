/**
 * What went wrong with a print: signs, causes and tests, ranked by what speaks for each. Weights
 * are judgement of the trade; a workshop's own closed cases move them.
 */
package mindspool.core.trouble;
