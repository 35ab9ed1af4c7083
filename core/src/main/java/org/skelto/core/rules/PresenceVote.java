package org.skelto.core.rules;

import java.time.ZonedDateTime;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Presence;

/**
 * What the presence sources make of it when some of them speak and then fall silent.
 *
 * @param home whether somebody is at home while they speak
 * @param staysMin minutes for which it stays so after the last of them
 */
public record PresenceVote(boolean home, int staysMin) {
    private static final int LONGEST_MIN = 1441;

    /**
     * The vote, as the interpreter takes it.
     *
     * @param speaking numbers of the sources that speak, from 0
     */
    public static PresenceVote of(Plan plan, Sky sky, Set<Integer> speaking) {
        Presence presence = plan.state().presence();
        int sources = presence == null ? 0 : presence.sources().size();
        ZonedDateTime at = ZonedDateTime.of(2027, 1, 4, 12, 0, 0, 0, sky.zone());
        Interpreter house = new Interpreter(plan, LiveRules.of(plan.withRules(Map.of())), sky, at);
        speaking.stream().filter(i -> i >= 0 && i < sources).forEach(i -> house.happen(HouseEvent.phone(i, true)));
        boolean home = house.home();
        speaking.stream().filter(i -> i >= 0 && i < sources).forEach(i -> house.happen(HouseEvent.phone(i, false)));
        int stays = 0;
        while (house.home() && stays < LONGEST_MIN) {
            stays++;
            house.until(at.plusMinutes(stays));
        }
        return new PresenceVote(home, stays);
    }
}
