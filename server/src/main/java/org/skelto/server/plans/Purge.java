package org.skelto.server.plans;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;

/** Removes plans that were deleted long enough ago, with all that was kept beside them; each by itself, all of it or nothing. */
@Component
class Purge implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(Purge.class);
    private static final long EVERY_H = 6;

    private final PlanRepository plans;
    private final RevisionRepository revisions;
    private final PlanDayRepository days;
    private final List<PlanAttachment> carried;
    private final TransactionOperations transaction;
    private final Clock clock;
    private final Duration kept;
    private final ScheduledExecutorService scheduler;

    @Autowired
    Purge(
            PlanRepository plans,
            RevisionRepository revisions,
            PlanDayRepository days,
            List<PlanAttachment> carried,
            TransactionOperations transaction,
            Clock clock,
            @Value("${skelto.deleted-plans-kept}") Duration kept) {
        this(
                plans,
                revisions,
                days,
                carried,
                transaction,
                clock,
                kept,
                Executors.newSingleThreadScheduledExecutor(work -> {
                    Thread thread = new Thread(work, "purge");
                    thread.setDaemon(true);
                    return thread;
                }));
    }

    Purge(
            PlanRepository plans,
            RevisionRepository revisions,
            PlanDayRepository days,
            List<PlanAttachment> carried,
            TransactionOperations transaction,
            Clock clock,
            Duration kept,
            ScheduledExecutorService scheduler) {
        this.plans = plans;
        this.revisions = revisions;
        this.days = days;
        this.carried = carried;
        this.transaction = transaction;
        this.clock = clock;
        this.kept = kept;
        this.scheduler = scheduler;
    }

    /** When a plan that was deleted then goes for good. */
    Instant goneAt(Instant deletedAt) {
        return deletedAt.plus(kept);
    }

    /** Removes what is due now; one that cannot be removed is told and left for the next time. */
    void run() {
        Instant before = clock.instant().minus(kept);
        List<UUID> due;
        try {
            due = plans.deletedBefore(before);
        } catch (RuntimeException e) {
            LOG.warn("deleted plans could not be looked for: {}", e.getMessage());
            return;
        }
        for (UUID id : due) {
            try {
                transaction.executeWithoutResult(status -> remove(id, before));
            } catch (RuntimeException e) {
                LOG.warn("deleted plan {} could not be removed: {}", id, e.getMessage());
            }
        }
    }

    private void remove(UUID id, Instant before) {
        // it may have been brought back meanwhile
        boolean still = plans.lock(id)
                .filter(p -> p.deletedAt != null && p.deletedAt.isBefore(before))
                .isPresent();
        if (still) {
            carried.forEach(part -> part.purge(id));
            days.deleteByPlanId(id);
            revisions.deleteByPlanId(id);
            plans.purge(id);
            LOG.info("removed plan {} for good, deleted {} days ago", id, kept.toDays());
        }
    }

    @Override
    public void start() {
        scheduler.scheduleWithFixedDelay(this::run, 1, EVERY_H * 60, TimeUnit.MINUTES);
    }

    @Override
    public void stop() {
        scheduler.shutdownNow();
    }

    @Override
    public boolean isRunning() {
        return !scheduler.isShutdown();
    }
}
