package mindspool.core.plan;

import mindspool.core.InvalidValueException;

/**
 * What a person decided for a job.
 *
 * @param code spool that it is to take
 * @param dryerId where that is dried; null for not at all
 * @param startH when it goes in
 */
public record Pin(long jobId, String code, Long dryerId, double startH) {

  static InvalidValueException contradiction(String what, String advice) {
    return new InvalidValueException("pins", what, "pins that can all be kept", advice);
  }
}
