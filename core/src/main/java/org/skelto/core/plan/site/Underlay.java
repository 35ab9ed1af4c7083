package org.skelto.core.plan.site;

/**
 * A picture of a floor plan under the drawing.
 *
 * @param picture id of the stored picture
 * @param xM where its south-west corner lies, metres east of the building's corner
 * @param metresPerPixel its scale, 0.0005 to 1
 * @param fade share of the picture that shows, 0 to 1
 */
public record Underlay(String picture, double xM, double yM, double metresPerPixel, double fade) {}
