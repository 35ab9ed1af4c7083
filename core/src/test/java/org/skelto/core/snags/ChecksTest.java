package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.sample.ThornfellLodge;

/** The registry of checks is what docs/checks.md says, and no check finds what it does not declare. */
class ChecksTest {
    private static final Path PAGE = Path.of("..", "docs", "checks.md");
    private static final String HEADER = "| code | finds | how bad | in |\n|---|---|---|---|\n";

    private static String table() {
        return Checks.ALL.stream()
                .flatMap(check -> check.codes().stream()
                        .map(code -> "| " + code.code() + " | " + code.finds() + " | "
                                + code.severities().stream()
                                        .sorted()
                                        .map(s -> s.name().toLowerCase(java.util.Locale.ROOT))
                                        .collect(Collectors.joining(", "))
                                + " | " + check.name() + " |\n"))
                .collect(Collectors.joining());
    }

    @Test
    void thePageOfChecksSaysWhatTheRegistrySays() throws IOException {
        String page = Files.readString(PAGE);
        int from = page.indexOf(HEADER) + HEADER.length();
        assertTrue(from >= HEADER.length(), "the page has its table");
        int to = page.indexOf("\n\n", from) + 1;
        String written = to > 0 ? page.substring(from, to) : page.substring(from);
        if (Boolean.getBoolean("skelto.docs.write")) {
            Files.writeString(PAGE, page.substring(0, from) + table() + page.substring(from + written.length()));
        } else {
            assertEquals(table(), written, "write it with -Dskelto.docs.write=true");
        }
    }

    /** All that is found in a plan, each of it declared by its check. */
    static List<Snag> snags(Facts facts) {
        Checks.ALL.forEach(check -> assertDeclared(check, facts.get(check.found())));
        return Checks.snags(facts);
    }

    private static void assertDeclared(Check check, List<Snag> found) {
        for (Snag snag : found) {
            assertTrue(
                    check.codes().stream()
                            .anyMatch(c -> c.code().equals(snag.code())
                                    && c.stages().contains(snag.stage())
                                    && c.severities().contains(snag.severity())),
                    () -> check.name() + " does not declare " + snag.code() + " " + snag.stage() + " "
                            + snag.severity());
        }
    }

    @Test
    void noCheckFindsWhatItDoesNotDeclare() {
        int snags = 0;
        for (Plan plan : List.of(Demos.mill(), Demos.flat(), ThornfellLodge.plan(), Workshop.plan())) {
            Facts facts = new Facts(plan);
            snags += snags(facts).size();
        }
        assertTrue(snags > 100, "there is something to look at");
    }

    @Test
    void everyCodeIsDeclaredOnceByACheck() {
        for (Check check : Checks.ALL) {
            List<String> codes =
                    new ArrayList<>(check.codes().stream().map(Check.Code::code).toList());
            assertEquals(codes.stream().distinct().toList(), codes, check.name());
        }
    }
}
