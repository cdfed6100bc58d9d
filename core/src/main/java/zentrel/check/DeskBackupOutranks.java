package zentrel.check;

/** The backup has a higher priority than the main desk: {@code desk.backup-outranks}. */
final class DeskBackupOutranks extends PathRule {
    DeskBackupOutranks() {
        super(
                "desk.backup-outranks",
                "Backup has a higher priority than the main desk",
                "A backup sends with a lower priority than the main desk, or stands by. With a higher one it has control from the start, and the main desk has none (ANSI E1.31-2018 §6.2.3).");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().sessions().isEmpty();
    }
}
