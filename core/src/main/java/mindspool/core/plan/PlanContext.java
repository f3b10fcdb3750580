package mindspool.core.plan;

/**
 * What all loads of a plan are computed with.
 *
 * @param attendance when somebody is there
 * @param times how long what dries where
 */
record PlanContext(Attendance attendance, DryTimes times) {}
