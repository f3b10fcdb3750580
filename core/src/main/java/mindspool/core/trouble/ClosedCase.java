package mindspool.core.trouble;

import java.util.Map;

/** A trouble whose cause was found: what was seen, and what it was. */
public record ClosedCase(String causeId, Map<String, Sign.Answer> signs) {}
