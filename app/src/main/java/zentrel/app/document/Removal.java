package zentrel.app.document;

import java.util.List;
import zentrel.gear.PlanRemoval;
import zentrel.plan.Id;

/** Removes things of the open plan and says what went with them. */
public final class Removal {
    private Removal() {}

    /** Removes these; undo brings all of it back. */
    public static void of(OpenDocument document, List<? extends Id<?>> gone) {
        PlanRemoval removing = PlanRemoval.of(document.plan(), gone);
        String also = removing.alsoInWords();
        document.apply(removing.edit());
        document.tell(removing.edit().text().replaceFirst("^Remove", "Removed")
                + (also.isEmpty() ? "" : " with " + also) + ". Undo brings it back.");
    }
}
