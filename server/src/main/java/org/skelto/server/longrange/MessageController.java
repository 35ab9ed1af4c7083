package org.skelto.server.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.longrange.Payload;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.Traffic;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a unit sends: its frame, how long it is on the air, and what to set on the radio itself. */
@RestController
@RequestMapping("/api/plans/{id}/long-range")
class MessageController {

    /**
     * A unit's message.
     *
     * @param airtimeMs of a frame with the radio's present settings
     * @param answerMs of its acknowledgement
     * @param reminders what to set on the radio itself, in words; keys are never kept here
     */
    @RecordBuilder
    public record MessageView(
            String unit,
            String name,
            Medium medium,
            Payload payload,
            int bytes,
            boolean assumed,
            double airtimeMs,
            Figure airtimeFigure,
            double answerMs,
            Figure answerFigure,
            @Nullable Double intervalS,
            int tries,
            @Nullable Double leastIntervalS,
            Figure intervalFigure,
            List<String> broken,
            List<String> unknown,
            List<String> reminders)
            implements MessageControllerMessageViewBuilder.With {}

    /** What a unit sends. */
    @GetMapping("/messages/{unit}")
    MessageView message(OpenPlan open, @PathVariable String unit) {
        Plan plan = open.plan();
        Unit u = Looked.unit(plan, unit, "");
        Radio radio = u.radios().values().stream()
                .filter(r -> Traffic.counts(r.medium()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.CONFLICT, u.name() + " has no long-range and no sub-GHz radio to send with."));
        Traffic traffic = Traffic.of(u, radio);
        AirLaw law = AirLaw.of(plan.region(), radio, traffic);
        return MessageControllerMessageViewBuilder.builder()
                .unit(unit)
                .name(u.name())
                .medium(radio.medium())
                .payload(Payload.of(u.says()))
                .bytes(traffic.bytes())
                .assumed(traffic.assumed())
                .airtimeMs(traffic.airtimeMs())
                .airtimeFigure(Traffic.airtimeFigure(radio.chirp(), u.says(), traffic.bytes()))
                .answerMs(Traffic.airtimeMs(radio.chirp(), u.says(), Traffic.ANSWER_BYTES))
                .answerFigure(Traffic.airtimeFigure(radio.chirp(), u.says(), Traffic.ANSWER_BYTES))
                .intervalS(traffic.intervalS())
                .tries(traffic.tries())
                .leastIntervalS(law.leastIntervalS())
                .intervalFigure(law.intervalFigure(traffic.messageMs()))
                .broken(law.broken())
                .unknown(law.unknown())
                .reminders(reminders(radio))
                .build();
    }

    private static List<String> reminders(Radio radio) {
        List<String> all = new ArrayList<>();
        Integer network = radio.settings().networkId();
        all.add(
                network == null || network == 0
                        ? "Choose a network id of your own and set it on both ends."
                        : "Network id " + network + ": set it on both ends.");
        all.add(
                Boolean.TRUE.equals(radio.settings().keyChanged())
                        ? "A key of your own is set. It is kept where you keep passwords, never here."
                        : "Set a key of your own on both ends before it goes up. The key is never kept here.");
        return all;
    }
}
