package mindspool.core.storage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import mindspool.core.Require;
import mindspool.core.climate.MoistAir;
import mindspool.core.stock.Band;

/**
 * What a container promises: days below a humidity if it is tight, as usual, or leaky; the
 * desiccant that a time asks for; and what to do about it.
 *
 * @param startHumidityPercent humidity once the contents have shared their water, %
 * @param tightDays none when the limit is not passed within ten years
 * @param typicalDays as above
 * @param leakyDays as above
 * @param desiccantG regenerated desiccant for the time asked, with 30 % reserve; none when no
 *     sensible amount does
 * @param conductanceGPerDay water getting in per day and unit of humidity difference
 */
public record StorageForecast(
    double startHumidityPercent,
    OptionalDouble tightDays,
    OptionalDouble typicalDays,
    OptionalDouble leakyDays,
    OptionalDouble desiccantG,
    Band conductanceGPerDay,
    String advice) {

  /** A box that holds shorter deserves advice, days (judgement). */
  private static final double SHORT_DAYS = 7;

  /** What is asked. {@code desiccant} may be null: then silica gel is assumed. */
  public record Question(
      Container container,
      double openingsPerWeek,
      MoistAir outside,
      Desiccant desiccant,
      double desiccantDryG,
      double desiccantWaterG,
      Supplier<List<WaterStore>> contents,
      double limitPercent,
      double months) {

    public Question {
      Require.within("container.openingsPerWeek", openingsPerWeek, 0, 1000, "per week");
      Require.within("desiccant.dryMassG", desiccantDryG, 0, 100_000, "g");
      double most = desiccant == null ? 0 : desiccantDryG * desiccant.isotherm().fraction(1);
      Require.within(
          "desiccant.waterG",
          desiccantWaterG,
          0,
          most,
          "g",
          "That is what so much of it can hold; weigh it again.");
      Require.within("months", months, 0.1, 120, "months");
    }

    List<WaterStore> all() {
      List<WaterStore> all = new ArrayList<>(contents.get());
      if (desiccant != null && desiccantDryG > 0) {
        all.add(WaterStore.of(desiccant, desiccantDryG, desiccantWaterG));
      }
      return all;
    }
  }

  /** Answers for a container of a kind, its leak known only within the kind's range. */
  public static StorageForecast of(Question question) {
    return of(
        question,
        question
            .container()
            .conductanceGPerDay(question.outside().temperatureC(), question.openingsPerWeek()));
  }

  /** Answers for a conductance, g per day and unit of humidity difference. */
  public static StorageForecast of(Question question, Band conductance) {
    StorageLife.Outcome typical = life(question, conductance.typical()).follow(question.all());
    Desiccant kind = question.desiccant() == null ? Desiccant.SILICA_GEL : question.desiccant();
    OptionalDouble grams =
        life(question, conductance.typical())
            .desiccantG(kind, question.months(), question.contents());
    OptionalDouble tight = life(question, conductance.low()).follow(question.all()).days();
    OptionalDouble leaky = life(question, conductance.high()).follow(question.all()).days();
    return new StorageForecast(
        100 * typical.startHumidity(),
        tight,
        typical.days(),
        leaky,
        grams,
        conductance,
        advice(question, typical, grams, kind));
  }

  private static StorageLife life(Question question, double conductance) {
    return new StorageLife(
        question.container(),
        question.outside().temperatureC(),
        question.outside().relativeHumidityPercent() / 100,
        conductance,
        question.limitPercent() / 100);
  }

  private static String advice(
      Question question, StorageLife.Outcome typical, OptionalDouble grams, Desiccant kind) {
    double limit = question.limitPercent();
    double start = 100 * typical.startHumidity();
    if (start >= limit) {
      return text(
          "Already above the limit when closed: what is put in brings %.0f %% with it. Dry it first,"
              + " cardboard reels too, or put in more fresh desiccant.",
          start);
    }
    if (typical.days().isEmpty()) {
      return question.outside().relativeHumidityPercent() <= limit
          ? "Never: the room itself stays below the limit."
          : "Longer than ten years by the usual leak.";
    }
    if (grams.isEmpty()) {
      return text(
          "Seal it better: more than %.0f g of %s would be spent in %s months. A gasket or foam tape"
              + " does more than desiccant.",
          StorageLife.MOST_DESICCANT_G,
          kind.title().toLowerCase(Locale.ROOT),
          Require.plain(question.months()));
    }
    if (typical.days().getAsDouble() < SHORT_DAYS) {
      return text(
          "The air passes the limit within days; the filament follows more slowly. Put in %.0f g of"
              + " %s, or a tighter container.",
          grams.getAsDouble(), kind.title().toLowerCase(Locale.ROOT));
    }
    return text(
        "%.0f g of %s, regenerated, hold it for %s months. Weigh the desiccant once after a week or"
            + " more: that replaces the assumed leak by your box's own.",
        grams.getAsDouble(),
        kind.title().toLowerCase(Locale.ROOT),
        Require.plain(question.months()));
  }

  private static String text(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
