package org.skelto.server.testing;

import jakarta.servlet.http.HttpServletRequest;
import java.util.EnumSet;
import java.util.Set;
import java.util.UUID;
import org.skelto.server.people.People;
import org.skelto.server.people.Person;
import org.skelto.server.people.Right;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** People as a house of several might have them: a request says who sends it, and nobody is believed to be local. */
@Component
@Primary
public class SeveralPeople implements People {
    /** Header that names who asks. */
    public static final String HEADER = "X-Test-Person";

    /** May look at every plan and change none. */
    public static final String READER = "reader";

    /** Has no plan at all. */
    public static final String STRANGER = "stranger";

    @Override
    public Person asking(HttpServletRequest request) {
        String name = request.getHeader(HEADER);
        return name == null ? Person.LOCAL : new Person(name);
    }

    @Override
    public Set<Right> rights(Person who, UUID plan) {
        return switch (who.id()) {
            case READER -> EnumSet.of(Right.READ);
            case STRANGER -> EnumSet.noneOf(Right.class);
            default -> EnumSet.allOf(Right.class);
        };
    }
}
