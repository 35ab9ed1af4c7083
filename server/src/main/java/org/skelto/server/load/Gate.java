package org.skelto.server.load;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/**
 * Lets in as much at once as there is room for; the others wait in the order in which they came, without a thread. Nobody
 * has more than a share of it, so that one who asks for much does not keep out the rest.
 */
final class Gate {
    /** A place in the gate or in the queue before it. */
    final class Ticket {
        private final String who;
        private final long weight;
        private final Consumer<Ticket> go;
        private boolean inside;
        private boolean over;

        private Ticket(String who, long weight, Consumer<Ticket> go) {
            this.who = who;
            this.weight = weight;
            this.go = go;
        }

        /** Gives the place back, or no longer waits for one; only the first call counts. */
        void leave() {
            Gate.this.leave(this);
        }
    }

    private final long room;
    private final long share;
    private final int longestQueue;
    private final Map<String, Long> taken = new HashMap<>();
    private final Set<Ticket> waiting = new LinkedHashSet<>();
    private long inside;

    /**
     * An empty gate.
     *
     * @param room weight that may be inside at once
     * @param share weight of one who asks that may be inside at once
     * @param longestQueue how many may wait
     */
    Gate(long room, long share, int longestQueue) {
        this.room = room;
        this.share = Math.min(room, share);
        this.longestQueue = longestQueue;
    }

    /**
     * Asks to be let in. What is heavier than the room counts as filling it.
     *
     * @param who asks
     * @param go done once inside, at once on this thread or later on that of one who leaves; it must not take long
     * @return the place, or null when the queue is full
     */
    Ticket enter(String who, long weight, Consumer<Ticket> go) {
        Ticket ticket = new Ticket(who, Math.min(weight, share), go);
        synchronized (this) {
            boolean free = waiting.stream().noneMatch(this::fits) && fits(ticket);
            if (!free) {
                if (waiting.size() >= longestQueue) {
                    return null;
                }
                waiting.add(ticket);
                return ticket;
            }
            letIn(ticket);
        }
        go.accept(ticket);
        return ticket;
    }

    /** A place, if there is one at once and nobody waits for it; null otherwise. */
    synchronized Ticket enterNow(String who, long weight) {
        Ticket ticket = new Ticket(who, Math.min(weight, share), t -> {});
        if (waiting.stream().anyMatch(this::fits) || !fits(ticket)) {
            return null;
        }
        letIn(ticket);
        return ticket;
    }

    private boolean fits(Ticket ticket) {
        return inside + ticket.weight <= room && taken.getOrDefault(ticket.who, 0L) + ticket.weight <= share;
    }

    private void letIn(Ticket ticket) {
        ticket.inside = true;
        inside += ticket.weight;
        taken.merge(ticket.who, ticket.weight, Long::sum);
    }

    private void leave(Ticket ticket) {
        List<Ticket> next = new ArrayList<>();
        synchronized (this) {
            if (ticket.over) {
                return;
            }
            ticket.over = true;
            if (!ticket.inside) {
                waiting.remove(ticket);
                return;
            }
            inside -= ticket.weight;
            taken.computeIfPresent(ticket.who, (who, all) -> all == ticket.weight ? null : all - ticket.weight);
            for (Iterator<Ticket> all = waiting.iterator(); all.hasNext() && inside < room; ) {
                Ticket first = all.next();
                if (fits(first)) {
                    all.remove();
                    letIn(first);
                    next.add(first);
                } else if (inside + first.weight > room) {
                    // it would wait for ever if lighter ones went past it
                    break;
                }
            }
        }
        next.forEach(t -> t.go.accept(t));
    }

    synchronized int waiting() {
        return waiting.size();
    }

    synchronized long inside() {
        return inside;
    }
}
