package mindspool.core.trouble;

/** Something that is known of material, machine and circumstances without looking at the print. */
public record TroubleFact(String id, String title) {}
