package org.skelto.core.facts;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** A value that is worked out when it is first asked for, if ever. */
final class Lazy<T> {
    private @Nullable Supplier<T> work;
    private @Nullable T value;

    Lazy(Supplier<T> work) {
        this.work = work;
    }

    synchronized T get() {
        T known = value;
        if (known == null) {
            Supplier<T> todo = work;
            if (todo == null) {
                throw new IllegalStateException("worked out to nothing");
            }
            known = todo.get();
            value = known;
            work = null;
        }
        return known;
    }
}
