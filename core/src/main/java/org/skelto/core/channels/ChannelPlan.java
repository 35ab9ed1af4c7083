package org.skelto.core.channels;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.skelto.core.plan.Edit;

/**
 * A proposal of frequency channels.
 *
 * @param rows one for each transmitter or network
 * @param nowDbm what all of them together get of each other now, dBm
 * @param thenDbm what they would get, dBm
 * @param proven whether nothing better exists
 * @param edits the change that makes it
 */
public record ChannelPlan(List<Row> rows, double nowDbm, double thenDbm, boolean proven, List<Edit> edits) {
    /**
     * A transmitter, or a mesh network that is on one channel.
     *
     * @param unit id of the access point or of the network's gateway
     * @param clients units that are linked to it
     * @param now its channel now, as its standard counts them
     * @param then the one proposed
     * @param disturbedBy what arrives of the others on its channel now, dBm
     */
    @RecordBuilder
    public record Row(
            String unit,
            String name,
            String radio,
            int clients,
            int mostClients,
            String now,
            String then,
            double disturbedBy,
            double disturbedThen)
            implements ChannelPlanRowBuilder.With {}
}
