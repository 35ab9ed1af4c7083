package org.skelto.server.rules;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.rules.ButtonUse;
import org.skelto.core.rules.Placeholder;
import org.skelto.core.rules.PresenceVote;
import org.skelto.core.rules.ReadingWords;
import org.skelto.core.rules.ReadyRule;
import org.skelto.core.rules.ReadyRules;
import org.skelto.core.rules.RuleCopy;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.rules.RuleHost;
import org.skelto.core.rules.RuleMessages;
import org.skelto.core.rules.RulePart;
import org.skelto.core.rules.RuleSentence;
import org.skelto.core.rules.RuleWeek;
import org.skelto.core.rules.Sky;
import org.skelto.core.rules.WhoIsTold;
import org.skelto.core.sight.Sights;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.skelto.server.tables.Csv;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The rules of a plan as sentences. */
@RestController
@RequestMapping("/api/plans/{id}/rules")
class RulesController {
    private static final int FIRST_YEAR = 1990;
    private static final int LAST_YEAR = 2100;
    private static final int TYPED_LENGTH = 200;

    private static List<RuleSentence> all(Plan plan) {
        return plan.rules().entrySet().stream()
                .map(e -> RuleSentence.of(plan, e.getKey(), e.getValue()))
                .toList();
    }

    /** Each rule as one sentence, made of parts that lead to what they name. */
    @GetMapping("/sentences")
    List<RuleSentence> sentences(OpenPlan open) {
        return all(open.plan());
    }

    /** How the readings of each kind of device are called. */
    @GetMapping("/words")
    Map<DeviceKind, ReadingWords.KindWords> words(OpenPlan open) {
        return ReadingWords.all();
    }

    /** What is found about them before they are built: what contradicts what, with its story. */
    @GetMapping("/findings")
    List<RuleFinding> findings(OpenPlan open) {
        return open.figures().get(HouseFacts.RULE_FINDINGS);
    }

    /** The week of a day by clock and sun: what is on because of a rule, and when rules may act. */
    @GetMapping("/week")
    RuleWeek week(OpenPlan open, @RequestParam(name = "day", required = false) @Nullable LocalDate day) {
        Sky sky = open.figures().get(HouseFacts.SKY);
        LocalDate asked = day == null ? LocalDate.now(sky.zone()) : day;
        if (asked.getYear() < FIRST_YEAR || asked.getYear() > LAST_YEAR) {
            throw Refusal.invalid(
                    "That day is not reckoned with.",
                    List.of(new Problem("/day", "is not between " + FIRST_YEAR + " and " + LAST_YEAR)));
        }
        return RuleWeek.of(open.plan(), sky, asked);
    }

    /** Where a rule can run, the best place first, and what becomes of it there. */
    @GetMapping("/{rule}/hosts")
    List<RuleHost> hosts(OpenPlan open, @PathVariable("rule") String rule) {
        return RuleHost.all(open.plan(), open.figures().outages(), known(open, rule));
    }

    private static Rule known(OpenPlan open, String rule) {
        Rule found = open.plan().rules().get(rule);
        if (found == null) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such rule in the plan.");
        }
        return found;
    }

    /** Who learns that a device takes its reading, at home and away, by day and in quiet hours. */
    @GetMapping("/told/{device}")
    WhoIsTold told(OpenPlan open, @PathVariable("device") String device) {
        if (!open.plan().devices().containsKey(device)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such device in the plan.");
        }
        Sky sky = open.figures().get(HouseFacts.SKY);
        return WhoIsTold.of(open.plan(), sky, device, LocalDate.now(sky.zone()));
    }

    /** What each push-button does, and how long it takes to tell its gestures apart. */
    @GetMapping("/buttons")
    List<ButtonUse> buttons(OpenPlan open) {
        return ButtonUse.of(open.plan());
    }

    /**
     * A rule that many houses have, with how it would read.
     *
     * @param sentences of its rules, in their order
     */
    record ReadyOffer(ReadyRule ready, List<String> sentences) {}

    /** Rules that many houses have, made of this plan's things; nothing is stored. */
    @GetMapping("/ready")
    List<ReadyOffer> ready(OpenPlan open) {
        Plan plan = open.plan();
        return ReadyRules.of(plan, open.figures().outages(), open.figures().get(HouseFacts.SKY)).stream()
                .map(r -> new ReadyOffer(
                        r,
                        r.rules().entrySet().stream()
                                .map(e -> RuleSentence.of(plan, e.getKey(), e.getValue())
                                        .text())
                                .toList()))
                .toList();
    }

    /** Where else a rule could do the same, with what takes the place of what. */
    @GetMapping("/{rule}/copies")
    List<RuleCopy> copies(OpenPlan open, @PathVariable("rule") String rule) {
        return RuleCopy.all(
                open.plan(), open.figures().outages(), open.figures().get(HouseFacts.SKY), known(open, rule));
    }

    /**
     * What a typed text may mean as a part of a rule.
     *
     * @param text up to 200 characters; longer ones are cut
     */
    @GetMapping("/parts")
    List<RulePart> parts(
            OpenPlan open,
            @RequestParam("slot") RulePart.Slot slot,
            @RequestParam(name = "text", defaultValue = "") String text) {
        return RulePart.typed(open.plan(), slot, text.substring(0, Math.min(text.length(), TYPED_LENGTH)));
    }

    /** Devices for which a rule is ticked and of which no rule says anything, each with the rule that the tick stands for. */
    @GetMapping("/placeholders")
    List<Placeholder> placeholders(OpenPlan open) {
        return Placeholder.of(open.plan());
    }

    /** What sensors and cameras see, and which ways into the house are watched. */
    @GetMapping("/sights")
    Sights sights(OpenPlan open) {
        return open.figures().get(HouseFacts.SIGHTS);
    }

    /** How many messages a month rules send to people. */
    @GetMapping("/messages")
    RuleMessages messages(OpenPlan open) {
        return RuleMessages.of(open.plan());
    }

    /** What presence makes of it when some of its sources speak. */
    @GetMapping("/presence")
    PresenceVote presence(OpenPlan open, @RequestParam(name = "speaking", defaultValue = "") List<Integer> speaking) {
        return PresenceVote.of(open.plan(), open.figures().get(HouseFacts.SKY), new TreeSet<>(speaking));
    }

    /** All of them as a table. */
    @GetMapping(path = "/csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(OpenPlan open) {
        Plan plan = open.plan();
        List<Object[]> lines = new ArrayList<>();
        for (RuleSentence s : all(plan)) {
            lines.add(new Object[] {
                s.rule(), s.name(), s.host(), plan.rules().get(s.rule()).off() ? "rests" : "", s.text()
            });
        }
        String csv = Csv.of(new String[] {"id", "rule", "runs in", "rests", "says"}, lines);
        return file(new MediaType("text", "csv", StandardCharsets.UTF_8), plan, "-rules.csv", csv);
    }

    /** What clock and sun set off, as iCalendar from today on. */
    @GetMapping(path = "/calendar", produces = "text/calendar")
    ResponseEntity<byte[]> calendar(OpenPlan open) {
        Sky sky = open.figures().get(HouseFacts.SKY);
        String text = RuleCalendar.of(open.plan(), open.id().toString(), sky, LocalDate.now(sky.zone()));
        return file(new MediaType("text", "calendar", StandardCharsets.UTF_8), open.plan(), "-rules.ics", text);
    }

    private static ResponseEntity<byte[]> file(MediaType type, Plan plan, String ending, String text) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(plan.name(), "plan") + ending)
                                .build()
                                .toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    /** All of them to be read and handed over, as Markdown. */
    @GetMapping(path = "/markdown", produces = "text/markdown")
    ResponseEntity<byte[]> markdown(OpenPlan open) {
        Plan plan = open.plan();
        StringBuilder out = new StringBuilder("# ")
                .append(plain(plan.name()))
                .append(": what the house does on its own\n\nEdit ")
                .append(open.state().revision())
                .append(".\n");
        for (RuleSentence s : all(plan)) {
            out.append("\n## ").append(plain(s.name())).append("\n\n");
            out.append(s.host() == null ? "No unit is chosen yet. " : "Runs in " + plain(s.host()) + ". ");
            out.append(plan.rules().get(s.rule()).off() ? "It rests. " : "")
                    .append("\n\n")
                    .append(plain(s.text()))
                    .append('\n');
        }
        return file(new MediaType("text", "markdown", StandardCharsets.UTF_8), plan, "-rules.md", out.toString());
    }

    /** Names are the person's: what would be markup in them is escaped. */
    private static String plain(String text) {
        return text.replaceAll("([\\\\`*_{}\\[\\]<>#|])", "\\\\$1");
    }
}
