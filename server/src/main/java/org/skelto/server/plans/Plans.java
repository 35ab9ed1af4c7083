package org.skelto.server.plans;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.server.people.Person;
import org.skelto.server.problems.Refusal;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The stored plans. Every edit is a revision with its forward and inverse patch. Undo and redo are two stacks threaded
 * through the revisions: the plan points at the top of each, a revision at what lies below it.
 */
@Service
@Transactional
public class Plans {
    private static final int LABEL_LENGTH = 200;

    private final PlanRepository plans;
    private final RevisionRepository revisions;
    private final Documents documents;
    private final KeptStates kept;
    private final List<DerivedEdit> followers;
    private final PlanDays days;
    private final ObjectProvider<Purge> purge;
    private final Clock clock;

    Plans(
            PlanRepository plans,
            RevisionRepository revisions,
            Documents documents,
            KeptStates kept,
            List<DerivedEdit> followers,
            PlanDays days,
            ObjectProvider<Purge> purge,
            Clock clock) {
        this.days = days;
        this.purge = purge;
        this.clock = clock;
        this.followers = followers;
        this.plans = plans;
        this.revisions = revisions;
        this.documents = documents;
        this.kept = kept;
    }

    @Transactional(readOnly = true)
    public List<PlanSummary> list() {
        return plans.summaries();
    }

    /** The newest state of a plan; refused with 404 when there is none or it was deleted. */
    @Transactional(readOnly = true)
    public PlanState get(UUID id) {
        PlanState known = kept.find(id, plans.revision(id).orElseThrow(Plans::unknown));
        if (known == null) {
            PlanEntity entity = plans.findByIdAndDeletedAtIsNull(id).orElseThrow(Plans::unknown);
            known = state(entity);
            kept.keep(known, entity.document.length());
        }
        return known;
    }

    @Transactional(readOnly = true)
    public List<RevisionLine> history(UUID id) {
        get(id);
        return revisions.findTop100ByPlanIdOrderByNumberDesc(id).stream()
                .map(r -> new RevisionLine(r.number, r.at, r.kind.name(), r.label))
                .toList();
    }

    /** A plan as it is written down. */
    public String document(Plan plan) {
        return documents.write(plan);
    }

    /** A plan that was written down so. */
    public Plan stored(String document) {
        return documents.readStored(document);
    }

    /** The plan as it would be stored, or refused; nothing is stored. */
    @Transactional(propagation = Propagation.SUPPORTS)
    public Plan checked(Plan document) {
        Plan plan = documents.accepted(document);
        documents.fits(documents.write(plan));
        return plan;
    }

    public PlanState create(Person who, Plan document) {
        Plan plan = documents.accepted(document);
        String written = documents.write(plan);
        documents.fits(written);
        PlanEntity entity = new PlanEntity(UUID.randomUUID(), who, plan.name(), written, now());
        return state(plans.save(entity), plan);
    }

    /** Applies a JSON Patch to the revision that the editor saw. */
    public PlanState edit(PlanEdit edit, String patch, String label) {
        PlanEntity entity = locked(edit);
        Plan before = stored(entity);
        return edited(
                edit.who(),
                entity,
                before,
                documents.change(before, patch, after -> follow(edit.plan(), before, after)),
                label);
    }

    private PlanState edited(Person who, PlanEntity entity, Plan before, Documents.Change change, String label) {
        if (change.plan().equals(before)) {
            return state(entity, before);
        }
        RevisionEntity revision = revision(who, entity, change, RevisionEntity.Kind.EDIT, label);
        revision.undoBelow = entity.undoTop;
        entity.undoTop = revision.number;
        entity.redoTop = null;
        revisions.save(revision);
        return made(entity, change.plan());
    }

    /** What an edit would make of the newest state; nothing is stored. */
    @Transactional(readOnly = true)
    public Plan previewed(PlanState state, String patch) {
        return follow(state.id(), state.plan(), documents.patched(state.plan(), patch));
    }

    /** The same for edits that Skelto proposes. */
    @Transactional(readOnly = true)
    public Plan previewed(PlanState state, List<Edit> edits) {
        return previewed(state, documents.patch(edits));
    }

    private Plan follow(UUID id, Plan before, Plan after) {
        Plan followed = after;
        for (DerivedEdit follower : followers) {
            followed = follower.follow(id, before, followed);
        }
        return followed;
    }

    public PlanState undo(PlanEdit edit) {
        PlanEntity entity = locked(edit);
        RevisionEntity undone = revision(entity, entity.undoTop, "There is nothing to undo.");
        Plan after = replay(edit.who(), entity, undone.inverse, RevisionEntity.Kind.UNDO, undone.label);
        undone.redoBelow = entity.redoTop;
        entity.undoTop = undone.undoBelow;
        entity.redoTop = undone.number;
        return made(entity, after);
    }

    public PlanState redo(PlanEdit edit) {
        PlanEntity entity = locked(edit);
        RevisionEntity again = revision(entity, entity.redoTop, "There is nothing to do again.");
        Plan after = replay(edit.who(), entity, again.forward, RevisionEntity.Kind.REDO, again.label);
        entity.redoTop = again.redoBelow;
        entity.undoTop = again.number;
        return made(entity, after);
    }

    public void delete(UUID id) {
        PlanEntity entity = plans.lock(id).filter(p -> p.deletedAt == null).orElseThrow(Plans::unknown);
        entity.deletedAt = now();
    }

    /** The days of whose end a plan is kept, newest first. */
    @Transactional(readOnly = true)
    public List<PlanDay> days(UUID id) {
        get(id);
        return days.of(id);
    }

    /** A plan as it was at the end of a day. */
    @Transactional(readOnly = true)
    public Plan asOf(UUID id, LocalDate day) {
        get(id);
        return days.document(id, day, documents);
    }

    /** Makes a plan again what it was at the end of a day, as one edit that can be undone. */
    public PlanState returnTo(PlanEdit edit, LocalDate day) {
        PlanEntity entity = locked(edit);
        Plan before = stored(entity);
        Plan then = days.document(edit.plan(), day, documents);
        return edited(edit.who(), entity, before, documents.replaced(before, then), "return to the plan of " + day);
    }

    /** Plans that were deleted and can be brought back, newest first. */
    @Transactional(readOnly = true)
    public List<DeletedPlan> deleted() {
        return plans.deleted().stream()
                .map(p -> new DeletedPlan(
                        p.id, p.name, p.deletedAt, purge.getObject().goneAt(p.deletedAt)))
                .toList();
    }

    /** Takes a deletion back. */
    public PlanState restore(UUID id) {
        PlanEntity entity = plans.lock(id).orElseThrow(Plans::unknown);
        entity.deletedAt = null;
        return state(entity);
    }

    private RevisionEntity revision(PlanEntity entity, Long number, String otherwise) {
        return Optional.ofNullable(number)
                .flatMap(n -> revisions.findByPlanIdAndNumber(entity.id, n))
                .orElseThrow(() -> Refusal.of(HttpStatus.CONFLICT, otherwise));
    }

    private Plan replay(Person who, PlanEntity entity, String patch, RevisionEntity.Kind kind, String label) {
        Documents.Change change = documents.replayed(stored(entity), patch);
        revisions.save(revision(who, entity, change, kind, label));
        return change.plan();
    }

    private RevisionEntity revision(
            Person who, PlanEntity entity, Documents.Change change, RevisionEntity.Kind kind, String label) {
        days.beforeEdit(entity);
        RevisionEntity revision = new RevisionEntity();
        revision.planId = entity.id;
        revision.number = entity.revision + 1;
        revision.author = who.id();
        revision.at = now();
        revision.kind = kind;
        String plain = label.replaceAll("\\p{Cntrl}", " ").strip();
        revision.label = plain.length() > LABEL_LENGTH ? plain.substring(0, LABEL_LENGTH) : plain;
        revision.forward = change.forward();
        revision.inverse = change.inverse();
        entity.revision = revision.number;
        entity.document = change.document();
        entity.name = change.plan().name();
        entity.updatedAt = revision.at;
        return revision;
    }

    private PlanEntity locked(PlanEdit edit) {
        PlanEntity entity =
                plans.lock(edit.plan()).filter(p -> p.deletedAt == null).orElseThrow(Plans::unknown);
        if (entity.revision != edit.seen()) {
            throw Refusal.of(
                    HttpStatus.PRECONDITION_FAILED,
                    "The plan was changed elsewhere: it is at edit " + entity.revision + ", you saw edit " + edit.seen()
                            + ". Nothing was changed.");
        }
        return entity;
    }

    private PlanState state(PlanEntity entity) {
        return state(entity, documents.readStored(entity.document));
    }

    /** The plan of an entity as it was read, from those held where it is there. */
    private Plan stored(PlanEntity entity) {
        PlanState known = kept.find(entity.id, entity.revision);
        return known == null ? documents.readStored(entity.document) : known.plan();
    }

    /** Holds the state that an edit made, once it is stored for good. */
    private PlanState made(PlanEntity entity, Plan plan) {
        PlanState state = state(entity, plan);
        int length = entity.document.length();
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                kept.keep(state, length);
            }
        });
        return state;
    }

    private PlanState state(PlanEntity entity, Plan plan) {
        return new PlanState(
                entity.id, entity.revision, plan, label(entity, entity.undoTop), label(entity, entity.redoTop));
    }

    private String label(PlanEntity entity, Long number) {
        return number == null
                ? null
                : revisions
                        .findByPlanIdAndNumber(entity.id, number)
                        .map(r -> r.label)
                        .orElse(null);
    }

    private Instant now() {
        return clock.instant().truncatedTo(java.time.temporal.ChronoUnit.MICROS);
    }

    /** Says that there is no such plan. */
    public static Refusal unknown() {
        return Refusal.of(HttpStatus.NOT_FOUND, "There is no such plan.");
    }
}
