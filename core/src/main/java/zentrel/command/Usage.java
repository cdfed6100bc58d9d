package zentrel.command;

/**
 * One form that a line of words can have.
 *
 * @param form the form: words in capitals stand for a name or a value, those in brackets may be left out
 * @param does what it does
 * @param example a line of this form
 */
public record Usage(String form, String does, String example) {}
