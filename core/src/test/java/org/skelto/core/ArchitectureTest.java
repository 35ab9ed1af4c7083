package org.skelto.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The arrows between the packages of the core point one way, and only where they are allowed. */
@AnalyzeClasses(packages = "org.skelto.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    /** From the cellar up: a package, and those that it may use. */
    private static final Map<String, Set<String>> ARROWS = new LinkedHashMap<>();

    private static void arrow(String from, String... to) {
        ARROWS.put(from, Set.of(to));
    }

    static {
        arrow("work");
        arrow("quantity");
        arrow("plan", "work");
        arrow("raster", "plan", "work");
        arrow("parts", "plan", "work");
        arrow("site", "plan", "work");
        arrow("radio", "plan", "quantity", "site", "work");
        arrow("ground", "plan", "radio", "raster", "site", "work");
        arrow("wiring", "parts", "plan", "quantity", "work");
        arrow("power", "parts", "plan", "quantity", "radio", "site", "work");
        arrow("housing", "parts", "plan", "power", "quantity", "work");
        arrow("sound", "plan", "quantity", "site", "work");
        arrow("links", "plan", "quantity", "radio", "site", "work");
        arrow("coverage", "links", "plan", "quantity", "radio", "raster", "site", "work");
        arrow("mesh", "plan", "work");
        arrow("channels", "plan", "radio", "site", "work");
        arrow("calibration", "coverage", "plan", "radio", "site", "work");
        arrow("placement", "coverage", "links", "plan", "quantity", "radio", "site", "work");
        arrow(
                "longrange",
                "ground",
                "house",
                "links",
                "parts",
                "plan",
                "power",
                "quantity",
                "radio",
                "raster",
                "site",
                "work");
        arrow("naming", "plan", "quantity", "site", "work");
        arrow("configuration", "naming", "parts", "plan", "wiring", "work");
        arrow("rules", "house", "naming", "plan", "quantity", "site", "work");
        arrow("sight", "plan", "site", "work");
        arrow("survival", "house", "plan", "work");
        arrow("commands", "links", "plan", "site");
        arrow("house", "links", "parts", "plan", "power", "quantity", "radio", "work");
        arrow("build", "parts", "plan", "power", "quantity", "site", "wiring", "work");
        arrow("calculator", "plan", "power", "radio", "wiring", "work");
        arrow("sample", "ground", "links", "plan");
        arrow(
                "facts",
                "build",
                "calibration",
                "coverage",
                "housing",
                "links",
                "longrange",
                "mesh",
                "naming",
                "house",
                "parts",
                "plan",
                "power",
                "radio",
                "rules",
                "sight",
                "site",
                "sound",
                "survival",
                "wiring",
                "work");
        arrow(
                "snags",
                "build",
                "calibration",
                "channels",
                "coverage",
                "facts",
                "housing",
                "links",
                "longrange",
                "mesh",
                "naming",
                "house",
                "parts",
                "plan",
                "power",
                "quantity",
                "radio",
                "rules",
                "sight",
                "site",
                "sound",
                "survival",
                "wiring",
                "work");
        arrow(
                "proposals",
                "commands",
                "facts",
                "house",
                "links",
                "longrange",
                "parts",
                "placement",
                "plan",
                "power",
                "quantity",
                "site",
                "snags",
                "survival",
                "wiring",
                "work");
        arrow("assessment", "build", "facts", "house", "links", "naming", "plan", "site", "snags", "wiring", "work");
    }

    private static String slice(JavaClass type) {
        String rest = type.getPackageName().substring("org.skelto.core".length());
        return rest.isEmpty() ? "" : rest.substring(1).split("\\.")[0];
    }

    @ArchTest
    static void everyArrowIsAllowedAndEveryAllowedArrowIsThere(JavaClasses classes) {
        Set<String> found = new TreeSet<>();
        classes.forEach(from -> from.getDirectDependenciesFromSelf().forEach(d -> {
            JavaClass to = d.getTargetClass();
            if (to.getPackageName().startsWith("org.skelto.core")
                    && !slice(from).equals(slice(to))) {
                found.add(slice(from) + " -> " + slice(to));
            }
        }));
        Set<String> allowed = ARROWS.entrySet().stream()
                .flatMap(e -> e.getValue().stream().map(to -> e.getKey() + " -> " + to))
                .collect(Collectors.toCollection(TreeSet::new));
        Set<String> more = new TreeSet<>(found);
        more.removeAll(allowed);
        assertEquals(Set.of(), more, "arrows that nobody allowed");
        allowed.removeAll(found);
        assertEquals(Set.of(), allowed, "arrows that are not there any more");
    }

    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("org.skelto.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_CYCLES_IN_THE_PLAN =
            slices().matching("org.skelto.core.plan.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_WEB_NO_STORAGE = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..", "jakarta..", "tools.jackson..", "org.hibernate..", "java.sql..");

    /** Tests included: neighbours of one type are mixed up too easily. */
    @Test
    void recordsOfMoreThanSixComponentsAreBuiltByTheirBuildersOnly() {
        JavaClasses all = new ClassFileImporter().importPackages("org.skelto.core");
        List<String> byPosition = all.stream()
                .flatMap(c -> c.getConstructorCallsFromSelf().stream())
                .filter(call -> call.getTargetOwner().isRecord())
                .filter(call -> call.getTarget().getRawParameterTypes().size() > 6)
                .filter(call -> !call.getOriginOwner().getName().contains("Builder"))
                .map(Object::toString)
                .toList();
        assertEquals(List.of(), byPosition);
        assertTrue(all.stream().anyMatch(c -> c.getSimpleName().equals("DeviceBuilder")), "there is something to see");
    }
}
