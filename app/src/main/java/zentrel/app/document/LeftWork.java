package zentrel.app.document;

import java.util.Optional;
import zentrel.file.Journal;
import zentrel.text.Counted;

/** Work that an earlier run left behind: offered once, and brought back where nothing unsaved is lost for it. */
final class LeftWork {
    private final OpenDocument document;
    private final Workers workers;
    private final KeptWork kept;

    LeftWork(OpenDocument document, Workers workers, KeptWork kept) {
        this.document = document;
        this.workers = workers;
        this.kept = kept;
    }

    /** Offers the newest of what was found. */
    void offer(Journal.Found found) {
        String problems = String.join(" ", found.problems());
        if (found.left().isEmpty()) {
            if (!problems.isEmpty()) {
                document.tell(problems);
            }
            return;
        }
        Journal.Left newest = found.left().get(0);
        String where = newest.file().map(f -> " of " + f.getFileName()).orElse("");
        String more = found.left().size() > 1
                ? " " + Counted.of(found.left().size() - 1, "more plan") + " can be recovered at the next start."
                : "";
        offer(
                "Zentrel closed unexpectedly. Recover unsaved changes to "
                        + newest.plan().plan().name() + where + "?" + more
                        + (problems.isEmpty() ? "" : " " + problems),
                newest);
    }

    private void offer(String text, Journal.Left left) {
        document.noticeProperty().set(new Notice(text, Optional.of("Recover"), () -> {
            if (document.unsavedProperty().get()) {
                offer(
                        "Save or undo your changes first, then recover "
                                + left.plan().plan().name() + ".",
                        left);
            } else {
                bringBack(left);
            }
        }));
    }

    private void bringBack(Journal.Left left) {
        workers.run(workers.disk(), () -> KeptWork.onDisk(left.file()), onDisk -> {
            document.recovered(left.plan(), left.file(), onDisk.plan());
            onDisk.problem().ifPresent(document::tell);
            workers.disk().execute(() -> kept.taken(left));
        });
    }
}
