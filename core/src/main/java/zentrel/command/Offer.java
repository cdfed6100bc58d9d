package zentrel.command;

import java.util.List;
import java.util.function.Supplier;
import zentrel.gear.GearEdit;
import zentrel.plan.Edit;

/**
 * Something that a line of words could ask for.
 *
 * @param text what would be done, for people to choose from
 * @param work makes the edit; throws {@link IllegalArgumentException} with the reason where it cannot be done
 */
public record Offer(String text, Supplier<GearEdit> work) {
    static Offer of(String text, Supplier<Edit> edit) {
        return new Offer(text, () -> new GearEdit(edit.get(), List.of()));
    }
}
