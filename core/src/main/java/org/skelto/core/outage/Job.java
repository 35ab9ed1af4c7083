package org.skelto.core.outage;

/** What a device is for, by its kind. */
public enum Job {
    OPERATE("operate"),
    KNOW("know"),
    TELL_HOME("tell at home"),
    TELL_AWAY("tell away"),
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
