package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A text of a certain form. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Matches {
    /** Regular expression that the whole text matches, of the kind that every language has. */
    String value();

    /** What is wrong with any other text, for the person. */
    String says();

    /** Id of a part of the catalogue. */
    String PART = "[a-z0-9-]{1,60}";

    String NOT_A_PART = "is not the id of a part";

    /** Name of a board of a unit. */
    String BOARD = "[A-Za-z0-9-]{1,40}";

    /** A board and one of its pins. */
    String TERMINAL = BOARD + "/[^ /]{1,20}";

    String IPV4 = "((25[0-5]|2[0-4][0-9]|[01]?[0-9]?[0-9])\\.){3}(25[0-5]|2[0-4][0-9]|[01]?[0-9]?[0-9])";

    String NOT_AN_ADDRESS = "is not an IPv4 address";
}
