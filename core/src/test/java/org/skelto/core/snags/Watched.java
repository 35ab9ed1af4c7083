package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;

/**
 * The snags of a plan that a test is about.
 *
 * @param codes as a regular expression
 */
record Watched(String codes) {
    List<Snag> snags(Plan plan) {
        return ChecksTest.snags(new Facts(plan)).stream()
                .filter(s -> s.code().matches(codes))
                .toList();
    }

    Set<String> in(Plan plan) {
        return snags(plan).stream().map(Snag::code).collect(Collectors.toCollection(TreeSet::new));
    }

    void noneIn(Plan plan) {
        assertEquals(
                List.of(),
                snags(plan).stream()
                        .map(s -> s.code() + " " + s.title() + " " + s.figures())
                        .toList());
    }
}
