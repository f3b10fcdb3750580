package mindspool.core.plan;

/**
 * What all charges of a plan are reckoned with.
 *
 * @param hands when somebody is there
 * @param times how long what dries where
 */
record PlanContext(Hands hands, DryTimes times) {}
