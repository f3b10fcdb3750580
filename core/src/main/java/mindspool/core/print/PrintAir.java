package mindspool.core.print;

import mindspool.core.Require;

/**
 * What warms and cools a part.
 *
 * @param draught of the room, 0 none to 1 strong
 * @param fanShare part fan, 0 to 1
 */
public record PrintAir(double bedC, double chamberC, double draught, double fanShare) {

  public PrintAir {
    Require.within("bedTemperatureC", bedC, 0, 220, "°C");
    Require.within("chamberTemperatureC", chamberC, -20, 180, "°C");
    Require.within("draft", draught, 0, 1, "");
    Require.within("fanPercent", 100 * fanShare, 0, 100, "%");
  }

  PrintAir withBed(double celsius) {
    return new PrintAir(celsius, chamberC, draught, fanShare);
  }

  PrintAir withChamber(double celsius) {
    return new PrintAir(bedC, celsius, draught, fanShare);
  }

  PrintAir withDraught(double share) {
    return new PrintAir(bedC, chamberC, share, fanShare);
  }

  PrintAir sheltered(double celsius) {
    return new PrintAir(bedC, celsius, 0, fanShare);
  }

  PrintAir withFan(double share) {
    return new PrintAir(bedC, chamberC, draught, share);
  }
}
