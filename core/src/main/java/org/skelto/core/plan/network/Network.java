package org.skelto.core.plan.network;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Words;

/**
 * The pools that addresses and topics are taken from.
 *
 * @param subnet the house's IPv4 subnet, prefix length 16 to 29, as {@code 192.168.40.0/24}
 * @param poolFrom first address that the router gives out by itself
 * @param poolTo last such address
 * @param topicRoot first level of every message topic
 * @param lines ids of the units with a line to the internet, in the order in which they are used
 * @param addressing by which rule addresses are given
 * @param access who may write and read at the message broker, or null when nobody said
 * @param topicLevels levels of a topic under its root, the device last; empty means building, room, device
 * @param failover whether the next line takes over when one fails; null means not
 * @param opened ports that the router passes on from the internet to a unit
 */
@RecordBuilder
public record Network(
        @Matches(
                value = "[0-9.]+/[0-9]{1,2}",
                says = "is not an IPv4 subnet of prefix length 16 to 29 such as 192.168.40.0/24")
        String subnet,

        @Matches(value = Matches.IPV4, says = Matches.NOT_AN_ADDRESS)
        String poolFrom,

        @Matches(value = Matches.IPV4, says = Matches.NOT_AN_ADDRESS)
        String poolTo,

        @Words(least = 1, most = Limits.NAME_LENGTH) String topicRoot,
        @Count(most = 8, of = "lines") List<@IdOf(value = "units", what = "a way in") String> lines,
        @Nullable Boolean failover,

        @Otherwise("no block of a floor and nothing at rest")
        Addressing addressing,

        @Nullable BrokerAccess access,

        @Count(most = 5, of = "levels") List<TopicLevel> topicLevels,

        @Count(most = 50, of = "opened ports") Map<@Id String, OpenedPort> opened)
        implements NetworkBuilder.With {
    public Network {
        lines = lines == null ? List.of() : Copies.list(lines);
        addressing = addressing == null ? Addressing.USUAL : addressing;
        topicLevels = topicLevels == null ? List.of() : Copies.list(topicLevels);
        opened = Copies.sorted(opened);
    }

    /** The levels that the rule gives a topic under its root, each once and the device last. */
    public List<TopicLevel> levels() {
        return levels(topicLevels);
    }

    /** Levels as they are used: each once and the device last; the usual ones for none. */
    public static List<TopicLevel> levels(List<TopicLevel> chosen) {
        if (chosen.isEmpty()) {
            return TopicLevel.USUAL;
        }
        List<TopicLevel> levels = new ArrayList<>(new LinkedHashSet<>(chosen));
        levels.remove(TopicLevel.DEVICE);
        levels.add(TopicLevel.DEVICE);
        return levels;
    }

    /** Pools alone. */
    public static Network of(String subnet, String poolFrom, String poolTo, String topicRoot) {
        return NetworkBuilder.builder()
                .subnet(subnet)
                .poolFrom(poolFrom)
                .poolTo(poolTo)
                .topicRoot(topicRoot)
                .build();
    }

    /** This network with other ways in. */
    public Network over(List<String> otherLines) {
        return withLines(otherLines);
    }

    /** The pools that a new plan starts with. */
    public static Network standard(String topicRoot) {
        return of("192.168.40.0/24", "192.168.40.150", "192.168.40.239", topicRoot);
    }
}
