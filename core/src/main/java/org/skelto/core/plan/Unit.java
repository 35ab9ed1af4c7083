package org.skelto.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Anything with a place that is powered or talks.
 *
 * @param channels usable inputs and outputs of a controller, 0 to 64
 * @param maxClients radio clients that an access point is built for, 0 to 512, or 0 when it does not matter
 * @param internetEntry whether the house's way to the internet goes through it
 * @param broker whether the message broker runs on it
 * @param hub id of the hub that serves it, or null
 * @param radios list of its radios, at most one of each medium
 * @param ipv4 reserved address, or null when none is assigned
 * @param mac locally administered hardware address, or null
 * @param nodeId long-range node id, 1 to 254, or null
 * @param rating the harshest place that it is made for, or null when not known
 * @param wireless the wireless network that an access point offers, or null
 * @param boards the parts it is made of, or null when they are not chosen yet
 * @param draws what it takes, measured or from its sheet, or null to take it from its parts
 * @param duty how it spends its time on a battery, or null when nobody said
 * @param housing id of the wall box or enclosure that it is in, or null
 * @param message what it sends over a long-range or sub-GHz radio, or null when nobody said
 * @param solar the panel that charges its battery, or null
 */
public record Unit(
        String name,
        UnitKind kind,
        Place place,
        Power power,
        int channels,
        int maxClients,
        boolean internetEntry,
        boolean broker,
        String hub,
        Map<String, Radio> radios,
        String ipv4,
        String mac,
        Integer nodeId,
        Exposure rating,
        Wireless wireless,
        BoardSet boards,
        Draws draws,
        Duty duty,
        String housing,
        Message message,
        Solar solar) {
    public Unit {
        radios = Copies.sorted(radios);
    }

    /** A unit of which neither rating nor wireless network is known. */
    public Unit(
            String name,
            UnitKind kind,
            Place place,
            Power power,
            int channels,
            int maxClients,
            boolean internetEntry,
            boolean broker,
            String hub,
            Map<String, Radio> radios,
            String ipv4,
            String mac,
            Integer nodeId) {
        this(
                name,
                kind,
                place,
                power,
                channels,
                maxClients,
                internetEntry,
                broker,
                hub,
                radios,
                ipv4,
                mac,
                nodeId,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** A device that is a unit of its own, without a radio yet. */
    public static Unit selfContained(String name, Place place, Power power, String hub) {
        return new Unit(
                name, UnitKind.SELF_CONTAINED, place, power, 0, 0, false, false, hub, Map.of(), null, null, null);
    }

    /** Its radio of that medium. */
    public Optional<Radio> radio(Medium medium) {
        return radios.values().stream().filter(r -> r.medium() == medium).findFirst();
    }

    /** Id of its {@link #radio} of that medium. */
    public Optional<String> radioId(Medium medium) {
        return radios.entrySet().stream()
                .filter(e -> e.getValue().medium() == medium)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** All media it has a radio for, in the order of their ids. */
    public List<Medium> media() {
        return radios.values().stream().map(Radio::medium).distinct().toList();
    }

    public Unit withRadios(Map<String, Radio> otherRadios) {
        return with(place, otherRadios, ipv4, mac, nodeId, boards, power, duty, message);
    }

    public Unit withNames(String otherIpv4, String otherMac, Integer otherNodeId) {
        return with(place, radios, otherIpv4, otherMac, otherNodeId, boards, power, duty, message);
    }

    /** This controller made of other parts. */
    public Unit of(BoardSet other) {
        return with(place, radios, ipv4, mac, nodeId, other, power, duty, message);
    }

    /** This unit at another place. */
    public Unit at(Place other) {
        return with(other, radios, ipv4, mac, nodeId, boards, power, duty, message);
    }

    /** This unit powered otherwise. */
    public Unit powered(Power other) {
        return with(place, radios, ipv4, mac, nodeId, boards, other, duty, message);
    }

    /** This unit spending its time otherwise. */
    public Unit on(Duty other) {
        return with(place, radios, ipv4, mac, nodeId, boards, power, other, message);
    }

    /** This unit sending something else. */
    public Unit sending(Message other) {
        return with(place, radios, ipv4, mac, nodeId, boards, power, duty, other);
    }

    /** What it sends. */
    public Message says() {
        return message == null ? Message.NONE : message;
    }

    private Unit with(
            Place otherPlace,
            Map<String, Radio> otherRadios,
            String otherIpv4,
            String otherMac,
            Integer otherNodeId,
            BoardSet otherBoards,
            Power otherPower,
            Duty otherDuty,
            Message otherMessage) {
        return new Unit(
                name,
                kind,
                otherPlace,
                otherPower,
                channels,
                maxClients,
                internetEntry,
                broker,
                hub,
                otherRadios,
                otherIpv4,
                otherMac,
                otherNodeId,
                rating,
                wireless,
                otherBoards,
                draws,
                otherDuty,
                housing,
                otherMessage,
                solar);
    }
}
