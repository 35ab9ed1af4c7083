package org.skelto.core.power;

import java.time.Month;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.skelto.core.plan.power.Solar;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * What a panel gives in each month: sun above the air by latitude and day (FAO Irrigation and Drainage Paper 56,
 * equation 21), what of it reaches the ground by the share of sunny daylight (equation 35, a = 0.25, b = 0.5), its
 * diffuse part (Page 1964: 1 − 1.13 K), and the tilt (Liu and Jordan 1963, ground reflection 0.2), for the middle day of
 * each month (Klein 1977). An average over years, never a forecast.
 */
public final class SunModel {
    /** Share of the panel's energy that reaches the battery: dirt, heat, charger, ageing; typical. */
    public static final double SYSTEM_SHARE = 0.7;

    private static final int[] MIDDLE = {17, 47, 75, 105, 135, 162, 198, 228, 258, 288, 318, 344};

    /** Sun above the air, MJ per m² and minute. */
    private static final double CONSTANT = 0.0820;

    private static final double GROUND = 0.2;
    private static final double MJ_PER_KWH = 3.6;

    private SunModel() {}

    /**
     * One month of a panel with its battery.
     *
     * @param month its English name
     * @param sunWh that the panel brings into the battery on a day
     * @param usedWh that the unit takes on a day
     * @param endShare how full the battery is at the end of the month, 0 to 1
     * @param dayShares how full it is at the end of each of its days
     */
    public record MonthOfSun(
            String month, double sunWh, double usedWh, double endShare, List<Double> dayShares, Figure figure) {}

    /** Irradiation of level ground above the air on a day of the year, kWh per m² and day. */
    static double aboveAirKwh(double latitudeDeg, int day) {
        double phi = Math.toRadians(latitudeDeg);
        double declination = declination(day);
        double distance = 1 + 0.033 * Math.cos(2 * Math.PI * day / 365);
        double sunset = sunset(phi, declination);
        double mj = 24
                * 60
                / Math.PI
                * CONSTANT
                * distance
                * (sunset * Math.sin(phi) * Math.sin(declination)
                        + Math.cos(phi) * Math.cos(declination) * Math.sin(sunset));
        return Math.max(0, mj) / MJ_PER_KWH;
    }

    private static double declination(int day) {
        return 0.409 * Math.sin(2 * Math.PI * day / 365 - 1.39);
    }

    private static double sunset(double phi, double declination) {
        return Math.acos(Math.max(-1, Math.min(1, -Math.tan(phi) * Math.tan(declination))));
    }

    /** Irradiation of the tilted panel in the middle of a month, kWh per m² and day, 1 to 12. */
    public static double onPanelKwh(double latitudeDeg, Solar solar, int month) {
        ComputingBudget.step();
        int day = MIDDLE[month - 1];
        boolean summer = (month >= 4 && month <= 9) == latitudeDeg >= 0;
        double clear = 0.25 + 0.5 * (summer ? solar.sunShareSummer() : solar.sunShareWinter());
        double level = clear * aboveAirKwh(latitudeDeg, day);
        double diffuse = level * Math.max(0, Math.min(1, 1 - 1.13 * clear));
        double tilt = Math.toRadians(solar.tiltDeg());
        double phi = Math.toRadians(Math.abs(latitudeDeg));
        double declination = declination(day) * (latitudeDeg >= 0 ? 1 : -1);
        double sunset = sunset(phi, declination);
        double seen = Math.min(sunset, sunset(phi - tilt, declination));
        double flat = Math.cos(phi) * Math.cos(declination) * Math.sin(sunset)
                + sunset * Math.sin(phi) * Math.sin(declination);
        double tilted = Math.cos(phi - tilt) * Math.cos(declination) * Math.sin(seen)
                + seen * Math.sin(phi - tilt) * Math.sin(declination);
        double beam = flat <= 1e-6 ? 0 : (level - diffuse) * Math.max(0, tilted) / flat;
        double sky = diffuse * (1 + Math.cos(tilt)) / 2;
        double ground = level * GROUND * (1 - Math.cos(tilt)) / 2;
        return beam * solar.openShare() + (sky + ground) * solar.openShare();
    }

    /**
     * Twelve months from the best of the year on, the battery full at first; it stays empty once it is empty.
     *
     * @param usedWh a day
     * @param batteryWh that can be used, above 0
     */
    public static List<MonthOfSun> year(double latitudeDeg, Solar solar, double usedWh, double batteryWh) {
        List<MonthOfSun> months = new ArrayList<>();
        double stored = batteryWh;
        boolean dead = false;
        int first = latitudeDeg >= 0 ? 7 : 1;
        for (int i = 0; i < 12; i++) {
            Month month = Month.of((first - 1 + i) % 12 + 1);
            double onPanel = onPanelKwh(latitudeDeg, solar, month.getValue());
            double sun = onPanel * solar.panelW() * SYSTEM_SHARE;
            List<Double> days = new ArrayList<>();
            for (int day = 0; day < month.length(false); day++) {
                stored = dead ? 0 : Math.min(batteryWh, stored + sun - usedWh);
                dead = stored <= 0;
                days.add(dead ? 0 : stored / batteryWh);
            }
            months.add(new MonthOfSun(
                    month.getDisplayName(TextStyle.FULL, Locale.ENGLISH),
                    sun,
                    usedWh,
                    days.get(days.size() - 1),
                    days,
                    figure(latitudeDeg, solar, month, onPanel, usedWh, batteryWh)));
        }
        return months;
    }

    private static Figure figure(
            double latitudeDeg, Solar solar, Month month, double onPanelKwh, double usedWh, double batteryWh) {
        int day = MIDDLE[month.getValue() - 1];
        return Figure.of(
                "sun on the tilted panel · its watts · share that reaches the battery; each day the battery gains it and "
                        + "loses what is used",
                "FAO Irrigation and Drainage Paper 56, eq. 21 and 35; Page 1964; Liu and Jordan 1963; middle day of the "
                        + "month by Klein 1977; an average over years",
                Math.abs(latitudeDeg) > 66.5,
                "latitude",
                Text.number(latitudeDeg, 2) + "°",
                "sun above the air, day " + day,
                Text.number(aboveAirKwh(latitudeDeg, day), 2) + " kWh/m² a day",
                "sunny share, summer and winter",
                Text.share(solar.sunShareSummer()) + ", " + Text.share(solar.sunShareWinter()),
                "on the panel at " + Text.number(solar.tiltDeg(), 0) + "°, with the sky that it sees",
                Text.number(onPanelKwh, 2) + " kWh/m² a day",
                "panel",
                Text.number(solar.panelW(), 2) + " W",
                "into the battery",
                Text.share(SYSTEM_SHARE),
                "used a day",
                Text.number(usedWh, 3) + " Wh",
                "battery",
                Text.number(batteryWh, 2) + " Wh");
    }

    /** The month in which it dies, or null when it lasts the year. */
    public static String diesIn(List<MonthOfSun> year) {
        return year.stream()
                .filter(m -> m.endShare() <= 0)
                .map(MonthOfSun::month)
                .findFirst()
                .orElse(null);
    }
}
