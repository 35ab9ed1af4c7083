package org.skelto.server.figures;

import org.skelto.core.parts.Catalogue;

/** Where the parts are that plans are judged with. */
public interface CatalogueSource {
    /** The parts of now: the same object while nothing has changed. */
    Catalogue catalogue();
}
