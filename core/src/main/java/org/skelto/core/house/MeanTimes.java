package org.skelto.core.house;

import java.util.EnumMap;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.survival.FailureKind;
import org.skelto.core.plan.survival.FailureRate;

/**
 * How often a kind of thing fails and for how long: what is usual, the least and the most that is.
 *
 * @param kind of what
 * @param perYear failures a year
 * @param repairH mean hours until it works again
 * @param testDays of faults that nobody sees: days from one test to the next
 * @param source where the figures come from
 * @param own whether the plan says it
 */
public record MeanTimes(
        FailureKind kind, MeanRange perYear, MeanRange repairH, MeanRange testDays, String source, boolean own) {
    /** Hours of a year. */
    public static final double YEAR_H = 8766;

    private static final double DAY_H = 24;
    private static final String EXPERIENCE = "estimate of ours, from how such things are used; dated 2026";

    /** A figure with the least and the most that is usual. */
    public record MeanRange(double low, double typical, double high) {
        static MeanRange of(double one) {
            return new MeanRange(one, one, one);
        }
    }

    /** Which of the three. */
    enum Band {
        LOW,
        TYPICAL,
        HIGH;

        double of(MeanRange range) {
            return switch (this) {
                case LOW -> range.low;
                case TYPICAL -> range.typical;
                case HIGH -> range.high;
            };
        }
    }

    /** Share of the time in which it is out. */
    double out(Band band) {
        double failures = band.of(perYear);
        if (kind == FailureKind.BACKUP) {
            // between two tests a fault that nobody sees lasts half the interval on average
            return Math.min(1, failures * band.of(testDays) * DAY_H / 2 / YEAR_H);
        }
        double hours = failures * band.of(repairH);
        return hours / (YEAR_H + hours);
    }

    /** Those of a plan, by kind. */
    public static Map<FailureKind, MeanTimes> of(Plan plan) {
        Map<FailureKind, MeanTimes> all = new EnumMap<>(FailureKind.class);
        for (FailureKind kind : FailureKind.values()) {
            MeanTimes usual = usual(kind);
            FailureRate rate = plan.failureRates().get(kind);
            all.put(
                    kind,
                    rate == null
                            ? usual
                            : new MeanTimes(
                                    kind,
                                    MeanRange.of(rate.perYear()),
                                    MeanRange.of(rate.repairH()),
                                    rate.testDays() == null ? usual.testDays : MeanRange.of(rate.testDays()),
                                    "as the plan says",
                                    true));
        }
        return all;
    }

    private static MeanTimes usual(FailureKind kind) {
        return switch (kind) {
            case MAINS ->
                usual(
                        kind,
                        new MeanRange(0.3, 1, 3),
                        new MeanRange(0.7, 1.5, 4),
                        "typical of public supply in towns, from published statistics of interruptions; the country has more");
            case CIRCUIT -> usual(kind, new MeanRange(0.1, 0.3, 1), new MeanRange(0.3, 2, 10), EXPERIENCE);
            case SUPPLY ->
                usual(
                        kind,
                        new MeanRange(0.03, 0.06, 0.17),
                        new MeanRange(24, 72, 168),
                        "50 000 to 300 000 h between failures, as data sheets of small supplies state; time to buy another");
            case CABLE -> usual(kind, new MeanRange(0.0005, 0.002, 0.01), new MeanRange(4, 24, 72), EXPERIENCE);
            case INTERNET -> usual(kind, new MeanRange(1, 4, 12), new MeanRange(0.5, 2, 8), EXPERIENCE);
            case LINE -> usual(kind, new MeanRange(0.2, 0.5, 2), new MeanRange(4, 24, 72), EXPERIENCE);
            case SERVICE ->
                usual(
                        kind,
                        new MeanRange(1, 3, 8),
                        new MeanRange(0.5, 2, 6),
                        "99.5 to 99.99 % of the time, as such services state");
            case ROUTER -> usual(kind, new MeanRange(0.3, 1, 4), new MeanRange(0.2, 2, 24), EXPERIENCE);
            case SWITCH -> usual(kind, new MeanRange(0.03, 0.08, 0.3), new MeanRange(4, 48, 120), EXPERIENCE);
            case ACCESS_POINT -> usual(kind, new MeanRange(0.2, 0.6, 2), new MeanRange(0.3, 4, 72), EXPERIENCE);
            case GATEWAY -> usual(kind, new MeanRange(0.2, 0.6, 2), new MeanRange(0.5, 6, 72), EXPERIENCE);
            case HUB -> usual(kind, new MeanRange(0.3, 1, 4), new MeanRange(1, 6, 48), EXPERIENCE);
            case HUB_RULES -> usual(kind, new MeanRange(0.5, 2, 6), new MeanRange(0.5, 2, 12), EXPERIENCE);
            case BROKER -> usual(kind, new MeanRange(0.2, 0.5, 2), new MeanRange(0.3, 1, 6), EXPERIENCE);
            case PANEL -> usual(kind, new MeanRange(0.03, 0.1, 0.3), new MeanRange(4, 24, 96), EXPERIENCE);
            case CONTROLLER -> usual(kind, new MeanRange(0.1, 0.3, 1), new MeanRange(0.5, 12, 96), EXPERIENCE);
            case OWN_RADIO -> usual(kind, new MeanRange(0.05, 0.2, 0.6), new MeanRange(1, 24, 120), EXPERIENCE);
            case BACKUP ->
                new MeanTimes(
                        kind,
                        new MeanRange(0.05, 0.15, 0.4),
                        MeanRange.of(0),
                        new MeanRange(90, 182.5, 365),
                        "cells of three to ten years, found at the next test; " + EXPERIENCE,
                        false);
        };
    }

    private static MeanTimes usual(FailureKind kind, MeanRange perYear, MeanRange repairH, String source) {
        return new MeanTimes(kind, perYear, repairH, MeanRange.of(0), source, false);
    }

    /** The kind of a component; null where it fails only as another does, or only by hand. */
    static FailureKind kind(Component.Kind kind) {
        return switch (kind) {
            case MAINS -> FailureKind.MAINS;
            case CIRCUIT -> FailureKind.CIRCUIT;
            case SUPPLY -> FailureKind.SUPPLY;
            case FEED, WIRE, LINK -> FailureKind.CABLE;
            case INTERNET -> FailureKind.INTERNET;
            case LINE -> FailureKind.LINE;
            case SERVICE -> FailureKind.SERVICE;
            case ROUTER -> FailureKind.ROUTER;
            case SWITCH -> FailureKind.SWITCH;
            case ACCESS_POINT -> FailureKind.ACCESS_POINT;
            case GATEWAY -> FailureKind.GATEWAY;
            case HUB -> FailureKind.HUB;
            case RULES -> FailureKind.HUB_RULES;
            case BROKER -> FailureKind.BROKER;
            case PANEL -> FailureKind.PANEL;
            case CONTROLLER -> FailureKind.CONTROLLER;
            case OWN_RADIO -> FailureKind.OWN_RADIO;
            case HANGS, WELDED -> throw new IllegalArgumentException("a fault of one thing");
        };
    }
}
