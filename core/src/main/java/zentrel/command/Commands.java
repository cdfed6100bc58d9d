package zentrel.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zentrel.gear.Library;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/**
 * Understands a line of words as something to do with the plan: {@code 3 node 4}, {@code route desk to bridge node},
 * {@code patch 12 wash of 18 on boathouse node}. A line may be unfinished; what it could become is offered.
 */
public final class Commands {
    static final int MOST_OFFERS = 6;

    private final Map<String, Function<List<String>, List<Offer>>> verbs = new LinkedHashMap<>();
    private final AddWords add;
    private final Things things;

    /**
     * A reader of lines.
     *
     * @param selected what is selected, which is meant where a line does not name a thing
     */
    public Commands(Plan plan, Library library, @Nullable Id<?> selected) {
        things = new Things(plan, Optional.ofNullable(selected));
        Library all = library.with(plan);
        add = new AddWords(things, all);
        ProgramWords programs = new ProgramWords(things, all);
        RouteWords routes = new RouteWords(things);
        PatchWords patch = new PatchWords(things);
        CableWords cables = new CableWords(things);
        NetworkWords network = new NetworkWords(things);
        NamedWords named = new NamedWords(things);
        verbs.put("add", add::add);
        verbs.put("install", programs::install);
        verbs.put("segment", network::segment);
        verbs.put("mark", network::mark);
        verbs.put("put", network::put);
        verbs.put("adapter", network::adapter);
        InputWords inputs = new InputWords(things);
        SendWords sending = new SendWords(things);
        SessionWords sessions = new SessionWords(things);
        verbs.put("bind", programs::bind);
        verbs.put("route", routes::route);
        verbs.put("patch", patch::patch);
        verbs.put("move", patch::move);
        verbs.put("renumber", patch::renumber);
        verbs.put("swap", patch::swap);
        verbs.put("arrange", patch::arrange);
        verbs.put("type", patch::type);
        verbs.put("list", patch::list);
        PixelWords pixels = new PixelWords(things);
        verbs.put("pixels", pixels::pixels);
        PlaceWords place = new PlaceWords(things, patch);
        verbs.put("turn", words -> {
            List<Offer> things = place.turn(words);
            return things.isEmpty() ? pixels.turn(words) : things;
        });
        verbs.put("build", place::build);
        verbs.put("hang", words -> place.put(words, false));
        verbs.put("stand", words -> place.put(words, true));
        verbs.put("point", place::point);
        verbs.put("shift", place::shift);
        verbs.put("view", place::view);
        verbs.put("mirror", pixels::mirror);
        verbs.put("spread", pixels::spread);
        verbs.put("universe", sending::universe);
        verbs.put("send", sending::send);
        verbs.put(
                "switch",
                words -> { // a kind of device too: "switch poe"
                    List<Offer> switched = sending.switching(words);
                    List<String> kind = new ArrayList<>(words);
                    kind.add(0, "switch");
                    return switched.isEmpty() ? add.add(kind) : switched;
                });
        verbs.put("input", inputs::input);
        verbs.put("port", inputs::port);
        verbs.put("copy", inputs::copy);
        verbs.put("session", sessions::session);
        verbs.put("enter", sessions::enter);
        verbs.put("leave", sessions::leave);
        verbs.put("split", cables::split);
        verbs.put("air", cables::air);
        verbs.put("cable", cables::cable);
        verbs.put("power", cables::power);
        verbs.put("link", programs::link);
        verbs.put("attach", programs::attach);
        verbs.put("rename", named::rename);
        verbs.put("duplicate", named::duplicate);
        verbs.put("remove", words -> {
            List<Offer> fixtures = patch.remove(words);
            return fixtures.isEmpty() ? named.remove(words) : fixtures;
        });
        SetWords set = new SetWords(things, Optional.ofNullable(selected), false);
        verbs.put("set", words -> {
            List<Offer> fixtures = patch.set(words);
            return fixtures.isEmpty() ? set.offers(words) : fixtures;
        });
        verbs.put("plan", new SetWords(things, Optional.ofNullable(selected), true)::offers);
    }

    /**
     * What a line means.
     *
     * @param offers what it could ask for, the likeliest first; empty where it is about nothing that can be done here
     * @param why why it offers nothing, as one sentence with what is there instead; empty where it does, or is empty itself
     */
    public record Reading(List<Offer> offers, Optional<String> why) {
        public Reading {
            offers = List.copyOf(offers);
        }
    }

    /** Reads a line, finished or not; what is no value in it is said, never thrown. */
    public Reading read(String line) {
        List<String> words = words(line);
        if (words.isEmpty()) {
            return new Reading(List.of(), Optional.empty());
        }
        things.forget();
        Function<List<String>, List<Offer>> verb = verb(words);
        try {
            List<Offer> offers = (verb == null ? add.add(words) : verb.apply(words.subList(1, words.size())))
                    .stream().limit(MOST_OFFERS).toList();
            return new Reading(offers, offers.isEmpty() ? Optional.of(why(line, words)) : Optional.empty());
        } catch (IllegalArgumentException e) {
            return new Reading(List.of(), Optional.of(String.valueOf(e.getMessage())));
        }
    }

    /** What a line could ask for, the likeliest first. */
    public List<Offer> offers(String line) {
        return read(line).offers();
    }

    private String why(String line, List<String> words) {
        if (verb(words) == null) {
            return "No kind of device is called “" + line.strip() + "”, and no line starts with “" + words.get(0)
                    + "”.";
        }
        return things.miss()
                .orElseGet(() -> "This line is not finished: "
                        + Usages.ofVerb(words.get(0)).stream().map(Usage::form).collect(Collectors.joining("  or  ")));
    }

    /** The words that a line can start with, beside a kind of device to add. */
    public List<String> verbs() {
        return List.copyOf(verbs.keySet());
    }

    private static List<String> words(String line) {
        return Arrays.stream(line.strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList();
    }

    private @Nullable Function<List<String>, List<Offer>> verb(List<String> words) {
        return verbs.get(words.get(0).toLowerCase(Locale.ROOT));
    }
}
