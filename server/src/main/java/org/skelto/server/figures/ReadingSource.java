package org.skelto.server.figures;

import java.util.List;
import java.util.UUID;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.Plan;

/** Where the readings of a plan are. */
public interface ReadingSource {
    /** Changes whenever the readings of a plan do. */
    long version(UUID plan);

    /** Those whose floor and transmitter are in the plan. */
    List<Reading> fitting(UUID id, Plan plan);
}
