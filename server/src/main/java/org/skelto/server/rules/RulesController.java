package org.skelto.server.rules;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.rules.ReadingWords;
import org.skelto.core.rules.RuleSentence;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The rules of a plan as sentences. */
@RestController
@RequestMapping("/api/plans/{id}/rules")
class RulesController {
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
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "markdown", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(plan.name(), "plan") + "-rules.md")
                                .build()
                                .toString())
                .body(out.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** Names are the person's: what would be markup in them is escaped. */
    private static String plain(String text) {
        return text.replaceAll("([\\\\`*_{}\\[\\]<>#|])", "\\\\$1");
    }
}
