package org.skelto.core.naming;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.work.ComputingBudget;

/**
 * The names that were entered elsewhere, in a hub, a phone bridge or a service, held against the plan.
 *
 * @param found lines of which a device is known
 * @param strange names of which none is, at most {@value #MOST_TOLD}
 * @param missing ids of devices that are spoken to and are not in the list
 * @param edits that keep in the plan what is entered there
 */
public record SpokenDrift(List<Entered> found, List<String> strange, List<String> missing, List<Edit> edits) {
    private static final int MOST_TOLD = 50;

    /** From how many letters in common on a name may be that of a device that was called otherwise. */
    private static final double LIKELY = 0.6;

    /**
     * A name as it was entered.
     *
     * @param there as it stands there
     * @param here as the plan has it
     */
    public record Entered(String device, String there, String here, boolean same) {}

    /** It is no such list. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(String why) {
            super(why);
        }
    }

    /**
     * Holds a list against a plan.
     *
     * @param place where the list is from, such as "hub"
     * @param text a table with a column of names and perhaps one of ids of devices, as the list that Skelto writes
     * @throws Unreadable when it is none
     */
    public static SpokenDrift of(Plan plan, String place, String text) throws Unreadable {
        if (place.isBlank() || place.length() > Limits.NAME_LENGTH) {
            throw new Unreadable(
                    "is from nowhere: say where it was entered, in 1 to " + Limits.NAME_LENGTH + " letters");
        }
        ForeignTable table;
        try {
            table = ForeignTable.of(
                    text, Map.of("name", List.of("name", "say", "spoken"), "device", List.of("device", "id")));
        } catch (ForeignTable.Unreadable e) {
            throw new Unreadable(e.getMessage());
        }
        if (!table.columns().contains("name")) {
            throw new Unreadable("has no column of names in its first line");
        }
        return new Comparison(plan, place.strip()).of(table);
    }

    private static final class Comparison {
        private final Plan plan;
        private final String place;
        private final Map<String, String> byName = new HashMap<>();
        private final Map<String, Entered> found = new TreeMap<>();
        private final List<String> strange = new ArrayList<>();

        Comparison(Plan plan, String place) {
            this.plan = plan;
            this.place = place;
            plan.devices().forEach((id, d) -> {
                byName.putIfAbsent(small(d.name()), id);
                d.alsoCalled().forEach(name -> byName.putIfAbsent(small(name), id));
            });
        }

        private static String small(String name) {
            return name.strip().toLowerCase(Locale.ROOT);
        }

        SpokenDrift of(ForeignTable table) {
            List<String> unknown = new ArrayList<>();
            for (ForeignTable.Row row : table.rows()) {
                String name = row.get("name");
                if (name == null
                        || name.length() > Limits.NAME_LENGTH
                        || name.chars().anyMatch(Character::isISOControl)) {
                    strange("line " + row.line() + ": " + (name == null ? "no name" : ForeignTable.shown(name)));
                    continue;
                }
                String id = row.get("device");
                if (id == null || !plan.devices().containsKey(id)) {
                    id = byName.get(small(name));
                }
                if (id == null) {
                    unknown.add(name);
                } else {
                    entered(id, name);
                }
            }
            likely(unknown);
            Set<String> listed = new HashSet<>(found.keySet());
            List<String> missing = SpokenNames.of(plan).names().stream()
                    .map(SpokenNames.Spoken::device)
                    .filter(id -> !listed.contains(id))
                    .distinct()
                    .toList();
            return new SpokenDrift(List.copyOf(found.values()), strange, missing, edits());
        }

        private void strange(String told) {
            if (strange.size() < MOST_TOLD) {
                strange.add(told);
            }
        }

        private void entered(String id, String there) {
            Device d = plan.devices().get(id);
            boolean same = small(d.name()).equals(small(there))
                    || d.alsoCalled().stream().anyMatch(name -> small(name).equals(small(there)));
            Entered before = found.get(id);
            // its own name counts before another that it has as well
            if (before == null || !before.same()) {
                found.put(id, new Entered(id, there, d.name(), same));
            }
        }

        /** What is spoken to, not yet found and called much the same. */
        private void likely(List<String> unknown) {
            List<SpokenNames.Spoken> spokenTo =
                    unknown.isEmpty() ? List.of() : SpokenNames.of(plan).names();
            for (String name : unknown) {
                String best = null;
                double most = LIKELY;
                for (SpokenNames.Spoken spoken : spokenTo) {
                    ComputingBudget.step();
                    double alike = found.containsKey(spoken.device())
                            ? 0
                            : SpokenNames.alike(small(spoken.name()), small(name));
                    if (alike > most) {
                        most = alike;
                        best = spoken.device();
                    }
                }
                if (best == null) {
                    strange(ForeignTable.shown(name));
                } else {
                    entered(best, name);
                }
            }
        }

        private List<Edit> edits() {
            List<Edit> edits = new ArrayList<>();
            found.forEach((id, entered) -> {
                @Nullable String known = plan.devices().get(id).enteredAs().get(place);
                if (!entered.there().equals(known)) {
                    edits.add(Edit.add(Pointers.of("devices", id, "enteredAs", place), entered.there()));
                }
            });
            return edits;
        }
    }
}
