package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import zentrel.check.Area;

/**
 * A page as the window lists it: what it is called, what it counts and what can be done on it by name. Its view is made when it is
 * first wanted, so that the window does not wait at its start for pages that nobody looks at.
 *
 * @param <V> its view
 */
public final class PageEntry<V extends PageView> {
    /**
     * Something that can be done on a page.
     *
     * @param shows whether the page comes to the front for it
     * @param inMenu whether the plan's menu has it too
     */
    private record Offer<V>(String name, boolean shows, boolean inMenu, Consumer<V> action) {}

    private final Class<V> type;
    private final String title;
    private final Set<Area> areas;
    private final Supplier<V> maker;
    private final List<Offer<V>> offers = new ArrayList<>();
    private Optional<String> help = Optional.empty();
    private @Nullable V view;

    /**
     * A page.
     *
     * @param type its view's class, by which it is found
     * @param areas the areas whose findings are open work of this page
     */
    public PageEntry(Class<V> type, String title, Set<Area> areas, Supplier<V> maker) {
        this.type = type;
        this.title = title;
        this.areas = areas;
        this.maker = maker;
    }

    /** Adds something that can be done by name, for which the page comes to the front. */
    public PageEntry<V> offers(String name, Consumer<V> action) {
        offers.add(new Offer<>(name, true, false, action));
        return this;
    }

    /** As {@link #offers}, in the plan's menu too. */
    public PageEntry<V> offersInMenu(String name, Consumer<V> action) {
        offers.add(new Offer<>(name, true, true, action));
        return this;
    }

    /** Adds something that can be done by name while any page is in front. */
    public PageEntry<V> does(String name, Consumer<V> action) {
        offers.add(new Offer<>(name, false, false, action));
        return this;
    }

    /** Names the help page that says what this one is about. */
    public PageEntry<V> explainedBy(String helpPage) {
        help = Optional.of(helpPage);
        return this;
    }

    /** The help page that says what this one is about, if it named any. */
    public Optional<String> help() {
        return help;
    }

    public Class<V> type() {
        return type;
    }

    public String title() {
        return title;
    }

    /** What its button in the window is known by. */
    public String id() {
        return "page-" + title.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", "-");
    }

    public Set<Area> areas() {
        return areas;
    }

    /**
     * What can be done on it by name.
     *
     * @param menu whether only what the plan's menu has
     * @param show brings the page to the front
     */
    public List<Command> commands(boolean menu, Runnable show) {
        return offers.stream()
                .filter(o -> o.inMenu() || !menu)
                .map(o -> new Command(o.name(), () -> {
                    if (o.shows()) {
                        show.run();
                    }
                    o.action().accept(view());
                }))
                .toList();
    }

    /** The view, made now if it was not wanted before. */
    public V view() {
        V made = view;
        if (made == null) {
            made = maker.get();
            view = made;
        }
        return made;
    }

    /** The view, if it was ever wanted. */
    public Optional<V> ifMade() {
        return Optional.ofNullable(view);
    }
}
