/** The plan: jobs with their deadlines, when hands are there, and which charge serves which job. */
package mindspool.server.plan;
