package org.skelto.server.pictures;

/**
 * A picture that is safe to show.
 *
 * @param mediaType image/png, image/jpeg or image/svg+xml
 * @param width in pixels
 */
record Picture(String mediaType, int width, int height, byte[] content) {}
