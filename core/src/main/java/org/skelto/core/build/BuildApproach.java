package org.skelto.core.build;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.skelto.core.plan.equipment.DeviceKind;

/**
 * What one device of a kind takes in each way to build; typical, from {@code parts/schools.csv}.
 *
 * @param finished id of the finished smart device that does it
 * @param module id of the module that does it, or of the finished device where there is none
 * @param relays that it needs
 * @param hoursFinished hours of work with a finished device, and so on
 */
@RecordBuilder
record BuildApproach(
        String finished,
        String module,
        int relays,
        double hoursFinished,
        double hoursModule,
        double hoursMade,
        double hoursByHand)
        implements BuildApproachBuilder.With {
    private static final Map<DeviceKind, BuildApproach> ALL = read();

    static BuildApproach of(DeviceKind kind) {
        return ALL.get(kind);
    }

    private static Map<DeviceKind, BuildApproach> read() {
        Map<DeviceKind, BuildApproach> all = new EnumMap<>(DeviceKind.class);
        try (InputStream in = BuildApproach.class.getResourceAsStream("/parts/schools.csv");
                InputStreamReader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            for (CSVRecord line : CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .get()
                    .parse(reader)) {
                all.put(
                        DeviceKind.valueOf(line.get("kind")),
                        BuildApproachBuilder.builder()
                                .finished(line.get("finished"))
                                .module(line.get("module"))
                                .relays(Integer.parseInt(line.get("relays")))
                                .hoursFinished(Double.parseDouble(line.get("hoursFinished")))
                                .hoursModule(Double.parseDouble(line.get("hoursModule")))
                                .hoursMade(Double.parseDouble(line.get("hoursMade")))
                                .hoursByHand(Double.parseDouble(line.get("hoursByHand")))
                                .build());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }
}
