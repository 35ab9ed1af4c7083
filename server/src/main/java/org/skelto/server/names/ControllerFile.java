package org.skelto.server.names;

import org.skelto.core.configuration.ControllerConfiguration;
import org.skelto.core.plan.Plan;

/**
 * A controller's file.
 *
 * @param format {@code skelto-controller}
 * @param version of the format
 * @param plan name of the plan that it was made from
 * @param revision of that plan
 */
public record ControllerFile(
        String format, int version, String plan, long revision, ControllerConfiguration controller) {
    private static final int VERSION = 1;

    static ControllerFile of(Plan plan, long revision, ControllerConfiguration controller) {
        return new ControllerFile("skelto-controller", VERSION, plan.name(), revision, controller);
    }
}
