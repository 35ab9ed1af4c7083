package org.skelto.core.proposals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.commands.Command;
import org.skelto.core.commands.NetworkLike;
import org.skelto.core.facts.Facts;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.Explorer;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Trait;
import org.skelto.core.placement.PlacementResult;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.power.CableRuns;
import org.skelto.core.proposals.Consequences.Weighed;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Snag;
import org.skelto.core.wiring.BoardChoice;
import org.skelto.core.wiring.BoardChooser;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.core.work.ComputingBudget;

/** Proposals under their law: what would leave a new stop or fix behind is ruled out, and says so. */
public final class Proposals {
    private final Facts facts;
    private final Consequences consequences;

    public Proposals(Facts facts, Consequences consequences) {
        this.facts = facts;
        this.consequences = consequences;
    }

    /** The links that a unit could have, those that may be proposed first; at most one is marked best. */
    public List<LinkChooser.Option> links(String unit) {
        List<LinkChooser.Option> options =
                each(new LinkChooser(facts.site(), facts.tables()).options(unit), this::weighed);
        options.sort(Comparator.comparing(o -> o.ruledOut() != null));
        if (!options.isEmpty() && options.get(0).ruledOut() == null) {
            options.set(0, options.get(0).withBest(true));
        }
        return options;
    }

    private LinkChooser.Option weighed(LinkChooser.Option option) {
        if (option.ruledOut() != null) {
            return option;
        }
        Weighed weighed = consequences.weighed(option.edits());
        return option.with(o ->
                o.edits(weighed.edits()).ruledOut(weighed.told()).best(false).why(option.why() + along(weighed)));
    }

    /** What becomes of each, in their order, on all processors: weighing one asks nothing of another. */
    private static <T> List<T> each(List<T> all, UnaryOperator<T> work) {
        List<T> done = new ArrayList<>(all);
        List<Runnable> tasks = IntStream.range(0, all.size())
                .mapToObj(i -> ComputingBudget.carried(() -> done.set(i, work.apply(all.get(i)))))
                .toList();
        tasks.parallelStream().forEach(Runnable::run);
        return done;
    }

    /**
     * Edits that give every unit without a link the one that would be chosen for it. Units whose link would bring something
     * are left as they are.
     */
    public List<Edit> linksForAll() {
        Set<String> left = new HashSet<>();
        LinkChooser chooser = new LinkChooser(facts.site(), facts.tables());
        Weighed all = consequences.weighed(chooser.chooseForAll(left));
        if (all.lawful()) {
            return all.edits();
        }
        List<Edit> kept = new ArrayList<>();
        for (String unit : chooser.unlinked()) {
            ComputingBudget.step();
            left.addAll(chooser.unlinked());
            left.remove(unit);
            List<Edit> more = new ArrayList<>(kept);
            more.addAll(new LinkChooser(SiteModel.of(consequences.after(kept)), facts.tables()).chooseForAll(left));
            Weighed weighed = consequences.weighed(more);
            if (weighed.lawful()) {
                kept = new ArrayList<>(weighed.edits());
            }
        }
        return kept;
    }

    /**
     * A network for the house as one change: what is missing of router, hub and access points, with the links that would be
     * chosen for them, and for whatever had none for want of them.
     */
    public Command.Proposal network(NetworkLike asked) {
        Command.Proposal boxes = asked.on(facts.plan());
        Consequences then = consequences.then(boxes.edits());
        List<Edit> links = new Proposals(then.facts(), then).linksForAll();
        Set<String> reached = new HashSet<>();
        links.stream()
                .map(Edit::value)
                .filter(Link.class::isInstance)
                .map(Link.class::cast)
                .forEach(l -> reached.addAll(List.of(l.from(), l.to())));
        List<Edit> edits = new ArrayList<>();
        List<String> notes = new ArrayList<>(boxes.notes());
        for (Edit box : boxes.edits()) {
            // one that nothing reaches would be of no use
            if (box.value() instanceof Unit unit
                    && unit.is(UnitKind.ACCESS_POINT)
                    && !reached.contains(box.path().substring("/units/".length()))) {
                notes.add(Optional.ofNullable(unit.place())
                                .map(Place::room)
                                .map(facts.plan().rooms()::get)
                                .map(Room::name)
                                .orElse(unit.name())
                        + " got no access point: nothing reaches it. Lay a cable, or set a link of its own at Links.");
            } else {
                edits.add(box);
            }
        }
        edits.addAll(links);
        return new Command.Proposal(boxes.label(), consequences.weighed(edits).edits(), notes);
    }

    /**
     * Controllers for rooms and floors with what they need to be part of the house: the link that would be chosen for them over
     * a radio or port that their board has, and terminals for their devices.
     */
    public List<BoardChoice.BoardSchool> boards(double spare) {
        List<BoardChoice.BoardSchool> schools = BoardChooser.of(
                facts.plan(),
                facts.parts(),
                spare,
                (a, b) -> CableRuns.lengthM(facts.site(), a, b).orElse(0.0));
        return schools.stream()
                .map(s -> new BoardChoice.BoardSchool(
                        s.id(), s.name(), s.choices().stream().map(this::whole).toList(), s.total()))
                .toList();
    }

    private BoardChoice whole(BoardChoice choice) {
        if (choice.edits().isEmpty()) {
            return choice;
        }
        ComputingBudget.step();
        List<Edit> edits = new ArrayList<>(choice.edits());
        Plan made = consequences.after(edits);
        Map.Entry<String, Unit> put = made.units().entrySet().stream()
                .filter(u -> !facts.plan().units().containsKey(u.getKey()))
                .findFirst()
                .orElseThrow();
        String unit = put.getKey();
        Part board = Optional.ofNullable(put.getValue().boards())
                .flatMap(b -> facts.parts().find(b.main()))
                .orElseThrow();
        new LinkChooser(SiteModel.of(made), facts.tables())
                .options(unit).stream()
                        .filter(o -> o.ruledOut() == null && has(board, o.medium()))
                        .findFirst()
                        .ifPresent(o -> edits.addAll(o.edits()));
        edits.addAll(PinAssigner.edits(consequences.after(edits), facts.parts(), unit));
        return choice.withEdits(edits);
    }

    private static boolean has(Part board, Medium medium) {
        return switch (medium) {
            case ETHERNET -> board.is(Trait.ETHERNET);
            case WIFI_2G4 -> board.is(Trait.WIFI);
            case MESH_802154 -> board.is(Trait.MESH);
            default -> false;
        };
    }

    /**
     * The best terminals for the devices of one controller, or of all when it is null. A device for which none will do, as
     * every contact there is too small for it, is left as it is.
     */
    public Weighed terminals(@Nullable String unit) {
        List<Edit> edits = PinAssigner.edits(facts.plan(), facts.parts(), unit);
        Weighed weighed = consequences.weighed(edits);
        while (!weighed.lawful()) {
            ComputingBudget.step();
            Set<String> left = weighed.brings().stream()
                    .flatMap(b -> b.subjects().stream())
                    .collect(Collectors.toSet());
            List<Edit> fewer = edits.stream()
                    .filter(e -> left.stream().noneMatch(s -> e.path().startsWith(s + "/")))
                    .toList();
            if (fewer.size() == edits.size()) {
                return new Weighed(List.of(), List.of(), weighed.brings());
            }
            edits = fewer;
            weighed = consequences.weighed(edits);
        }
        return weighed;
    }

    /**
     * The first fix of each of these snags that may be made, one after another, as one change. A snag that an earlier fix
     * cleared needs none; one whose fix would bring something is left.
     *
     * @param keys of snags
     * @return the edits, and the keys of the snags that are left
     */
    public FixedTogether fixes(List<String> keys) {
        List<Edit> edits = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (String key : keys) {
            ComputingBudget.step();
            Facts then = edits.isEmpty() ? facts : facts.after(consequences.after(edits));
            Optional<Snag> snag =
                    Checks.snags(then).stream().filter(s -> s.key().equals(key)).findFirst();
            if (snag.isEmpty()) {
                continue;
            }
            List<Edit> more = new ArrayList<>(edits);
            snag.get().fixes().stream().findFirst().ifPresent(f -> more.addAll(f.edits()));
            if (more.size() > edits.size()
                    && consequences.weighed(more).brings().isEmpty()) {
                edits = more;
            } else {
                left.add(key);
            }
        }
        return new FixedTogether(edits, left);
    }

    /** Fixes of several snags as one change, and the keys of those that were left. */
    public record FixedTogether(List<Edit> edits, List<String> left) {}

    /** The changes that may be proposed first, then those that say what they would bring. */
    public WhatItTakes.Takes takes(WhatItTakes.Takes takes) {
        List<WhatItTakes.Change> changes = each(takes.changes(), change -> {
            Weighed weighed = consequences.weighed(change.edits());
            return change.with(
                    c -> c.edits(weighed.edits()).brings(weighed.told()).why(change.why() + along(weighed)));
        });
        changes.sort(Comparator.comparing(c -> c.brings() != null));
        return new WhatItTakes.Takes(
                takes.marginDb(), takes.neededDb(), takes.chance(), takes.target(), changes, takes.reach());
    }

    /** The grid of a link's settings, with picks that may be proposed. */
    public Explorer.SettingGrid settings(LinkReport basis, Explorer.Wanted wanted) {
        return Explorer.of(
                facts.plan(),
                facts.parts(),
                basis,
                wanted,
                edits -> consequences.weighed(edits).told());
    }

    /** The placings that may be proposed. */
    public PlacementResult placings(PlacementResult result) {
        List<PlacementResult.Placing> placings = new ArrayList<>();
        for (PlacementResult.Placing p : result.placings()) {
            Weighed weighed = consequences.weighed(p.edits());
            placings.add(new PlacementResult.Placing(
                    p.boxes(),
                    p.covered(),
                    p.worstMarginDb(),
                    p.cost(),
                    p.why() + along(weighed) + (weighed.lawful() ? "" : "; " + weighed.told()),
                    weighed.edits()));
        }
        return result.withPlacings(placings);
    }

    private static String along(Weighed weighed) {
        return weighed.along().isEmpty() ? "" : "; with it: " + String.join(", ", weighed.along());
    }
}
