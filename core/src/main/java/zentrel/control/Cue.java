package zentrel.control;

/**
 * A cue as a list has it.
 *
 * @param list the cue list it belongs to, as it is called there; "1" where a program has but one and does not say
 * @param time of its fade as it is written, brought to seconds where it can be; empty where none is said
 */
public record Cue(String list, CueNumber number, String label, String time, String note) {}
