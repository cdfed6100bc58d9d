package zentrel.machine;

/**
 * One thing to do on a computer.
 *
 * @param title what it does
 * @param command the line to type, or the way through the system's own dialogue
 * @param typed whether it is a line to type
 * @param back the same for what takes it back; empty where there is nothing to take back
 */
public record MachineStep(String title, String command, boolean typed, String back) {}
