/**
 * The plan: which spool is dried when, where and with which others, so that every job finds its
 * filament dry. What a plan consists of, what makes one good, and how it is sought.
 */
package mindspool.core.plan;
