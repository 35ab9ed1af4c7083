package org.skelto.core.snags;

import java.util.Comparator;
import java.util.List;
import org.skelto.core.facts.Facts;

/** All checks, in the order in which docs/checks.md lists them. */
public final class Checks {
    public static final List<Check> ALL = List.of(
            SiteChecks.CHECK,
            PlaceChecks.CHECK,
            DeviceChecks.CHECK,
            WorksChecks.CHECK,
            SafetyChecks.CHECK,
            DeclaredChecks.CHECK,
            WiringChecks.CHECK,
            LoadChecks.CHECK,
            HousingChecks.CHECK,
            BusChecks.CHECK,
            PowerChecks.CHECK,
            SupplyChecks.CHECK,
            ProtectionChecks.CHECK,
            RadioChecks.CHECK,
            ReceiverChecks.CHECK,
            AirChecks.CHECK,
            GroundChecks.CHECK,
            CoverageChecks.CHECK,
            NameChecks.CHECK,
            MessageChecks.CHECK,
            AccessChecks.CHECK,
            AccountChecks.CHECK,
            RuleChecks.CHECK,
            RuleProofChecks.CHECK,
            SightChecks.CHECK,
            ScreenChecks.CHECK,
            OutageChecks.CHECK,
            PromiseChecks.CHECK,
            ReturnChecks.CHECK,
            BackupChecks.CHECK,
            CostChecks.CHECK);

    private Checks() {}

    /**
     * The snags of a plan, worst first, then by stage and code. A check that could not run leaves the others: the facts tell
     * its failure.
     */
    public static List<Snag> snags(Facts facts) {
        return ALL.stream()
                .flatMap(check -> facts.fact(check.found()).orElse(List.of()).stream())
                .sorted(Comparator.comparing(Snag::severity)
                        .thenComparing(Snag::stage)
                        .thenComparing(Snag::code)
                        .thenComparing(Snag::key))
                .toList();
    }
}
