package org.skelto.core;

import java.util.List;
import java.util.Set;
import java.util.function.BiPredicate;
import org.skelto.core.house.Carrying;
import org.skelto.core.house.HouseInputs;
import org.skelto.core.house.Outages;
import org.skelto.core.house.PossibleLink;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.power.PowerTree;
import org.skelto.core.power.Store;
import org.skelto.core.rules.RuleReaches;
import org.skelto.core.site.SiteModel;

/** The model of a house whose links carry as a test says. */
public final class Modelled {
    private Modelled() {}

    /** The outages of a plan whose links carry, or not, and whose radios find nobody by themselves. */
    public static Outages outages(Plan plan, BiPredicate<String, String> carries) {
        return outages(plan, (link, sender) -> carries.test(link, sender) ? 1 : 0, List.of(), null);
    }

    /** The outages of a plan, with its backups and cells as its parts make them. */
    public static Outages outages(Plan plan, Carrying carrying, List<PossibleLink> possible, Set<String> phonePoints) {
        Catalogue parts = Catalogue.builtIn();
        return new Outages(
                plan,
                parts,
                new HouseInputs(
                        carrying,
                        possible,
                        Store.all(PowerTree.of(SiteModel.of(plan), parts)),
                        phonePoints,
                        RuleReaches.of(plan)));
    }
}
