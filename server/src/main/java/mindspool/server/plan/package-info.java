/** The plan: jobs with their deadlines, when somebody is there, and which load serves which job. */
package mindspool.server.plan;
