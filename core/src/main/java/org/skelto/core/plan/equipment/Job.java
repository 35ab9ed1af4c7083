package org.skelto.core.plan.equipment;

/** What a device is for. */
public enum Job {
    /** A lamp, load, blind or motor does as it is told. */
    OPERATE("operate"),
    /** Whoever acts on a sensor learns what it sees. */
    REPORT("report"),
    ALERT_HOME("alert at home"),
    ALERT_AWAY("alert away"),
    SOUND("sound"),
    KEEP_OUT("keep out"),
    LET_OUT("let out"),
    LET_IN("let in"),
    CLOSE("close on demand"),
    OPEN("open"),
    SEE("see"),
    RECORD("record");

    private final String words;

    Job(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
