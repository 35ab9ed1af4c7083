package org.skelto.core.calculator;

/** An input that a calculator refuses, with its place. */
public final class BadInput extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String pointer;

    BadInput(String pointer, String message) {
        super(message);
        this.pointer = pointer;
    }

    /** JSON pointer to the input. */
    public String pointer() {
        return pointer;
    }
}
