package org.skelto.server.load;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.util.unit.DataSize;

/**
 * How much the server takes on; docs/operations.md tells what each is for.
 *
 * @param turns requests that compute at once
 * @param turnsOfOne of one plan, or of one client where no plan is named
 * @param queue requests that may wait for a turn
 * @param patience how long one waits
 * @param memory share of the memory for large bodies and answers
 * @param small bodies and answers up to this size are not counted
 * @param bodyTime for a body to arrive, and another second for each of {@code bodyPace}
 * @param bodiesOfOne unfinished bodies of one client
 * @param answerTime for a large answer to be taken, and another second for each of {@code bodyPace}
 * @param headTime from a request's first byte to the end of its headers
 */
@ConfigurationProperties("skelto.load")
public record LoadLimits(
        @DefaultValue("4") int turns,
        @DefaultValue("2") int turnsOfOne,
        @DefaultValue("400") int queue,
        @DefaultValue("8s") Duration patience,
        @DefaultValue("192MB") DataSize memory,
        @DefaultValue("64KB") DataSize small,
        @DefaultValue("10s") Duration bodyTime,
        @DefaultValue("1MB") DataSize bodyPace,
        @DefaultValue("400") int bodiesOfOne,
        @DefaultValue("30s") Duration answerTime,
        @DefaultValue("10s") Duration headTime) {

    Duration forBody(long bytes) {
        return bodyTime.plusSeconds(Math.max(0, bytes) / bodyPace.toBytes());
    }

    Duration forAnswer(long bytes) {
        return answerTime.plusSeconds(bytes / bodyPace.toBytes());
    }
}
