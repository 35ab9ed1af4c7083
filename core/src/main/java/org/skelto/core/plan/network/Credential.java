package org.skelto.core.plan.network;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.site.WallWork;

/**
 * What is known of a secret of the house; never the secret itself.
 *
 * @param state whether it is the one that the thing came with
 * @param changedOn the day on which it was last changed, as 2027-03-31, or null
 * @param strong whether somebody made sure that it cannot be guessed; null means nobody did
 * @param kept where it is written down, in words, or null
 */
@RecordBuilder
public record Credential(
        @Nullable State state,

        @Nullable @Matches(value = "[0-9]{4}-[0-9]{2}-[0-9]{2}", says = WallWork.NO_DAY)
        String changedOn,

        @Nullable Boolean strong,
        @Nullable @Words(most = Limits.NAME_LENGTH) String kept)
        implements CredentialBuilder.With {
    /** Whether it is the one that the thing came with. */
    public enum State {
        /** As it came: everybody can look it up. */
        FACTORY,
        /** One of the house's own. */
        CHANGED
    }

    /** Nothing is known. */
    public static final Credential UNKNOWN = new Credential(null, null, null, null);
}
