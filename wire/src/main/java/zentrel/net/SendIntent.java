package zentrel.net;

/** What a datagram does to those who get it; the guard lets through by it. */
public enum SendIntent {
    /** A question, or the answer to one: polls, replies. It sets nothing and lights nothing. */
    ASKING,
    /** Levels, cues, settings. */
    SETTING
}
