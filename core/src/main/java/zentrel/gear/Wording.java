package zentrel.gear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zentrel.entry.Renaming;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;
import zentrel.profile.ProfileSupply;
import zentrel.routing.RangeRouting;
import zentrel.text.Counted;

/**
 * Understands a line of words as something to do with the gear: {@code 3 node 4}, {@code route desk to bridge node},
 * {@code patch 12 wash of 18 on boathouse node}. A line may be unfinished; what it could become is offered.
 */
public final class Wording {
    /** What a line asks for. */
    public record Offer(String text, Supplier<Made> work) {}

    private static final int MOST_OFFERS = 6;
    private static final int USUAL_FOOTPRINT = 16;

    private final Plan plan;
    private final Library library;
    private final Optional<Id<?>> selected;

    /**
     * A reader of lines.
     *
     * @param selected what is selected, which is meant where a line does not name a thing
     */
    public Wording(Plan plan, Library library, @Nullable Id<?> selected) {
        this.plan = plan;
        this.library = library.with(plan);
        this.selected = Optional.ofNullable(selected);
    }

    /** What a line could ask for, the likeliest first; empty where it is about nothing that can be done here. */
    public List<Offer> offers(String line) {
        List<String> words = Arrays.stream(line.strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList();
        if (words.isEmpty()) {
            return List.of();
        }
        List<String> rest = words.subList(1, words.size());
        List<Offer> offers = switch (words.get(0).toLowerCase(Locale.ROOT)) {
            case "route" -> route(rest);
            case "patch" -> patch(rest);
            case "remove" -> remove(rest);
            case "duplicate" -> duplicate(rest);
            case "install" -> install(rest);
            case "cable" -> cable(rest);
            case "split" -> split(rest);
            case "air" -> air(rest);
            case "power" -> power(rest);
            case "bind" -> bind(rest);
            case "put" -> put(rest);
            case "rename" -> rename(rest);
            case "set" -> new SettingWords(plan, selected).offers(rest);
            case "adapter" -> adapter(rest);
            case "link" -> link(rest);
            case "attach" -> attach(rest);
            case "segment" -> segment(rest);
            case "mark" -> mark(rest);
            case "add" -> add(rest);
            default -> add(words);
        };
        return offers.stream().limit(MOST_OFFERS).toList();
    }

    private static Offer of(String text, Supplier<Edit> edit) {
        return new Offer(text, () -> new Made(edit.get(), List.of()));
    }

    // --- add ---

    /** {@code [COUNT] WORDS [called NAME] [in PLACE] [on SEGMENT] [at ADDRESS]}, the parts in any order. */
    private List<Offer> add(List<String> words) {
        List<String> wanted = new ArrayList<>(words);
        int count = 1;
        if (wanted.size() > 1 && wanted.get(0).matches("\\d{1,4}[x×]?")) {
            count = Integer.parseInt(wanted.remove(0).replaceAll("\\D", ""));
        }
        Map<String, String> parts = parts(wanted, Set.of("called", "in", "on", "at"));
        if (wanted.stream().noneMatch(w -> w.length() > 1 || w.matches("\\d"))) {
            return List.of();
        }
        List<Offer> offers = new ArrayList<>();
        for (Profile profile : library.matching(wanted)) {
            int n = count;
            StringBuilder text = new StringBuilder("Add " + n + " × " + profile.name());
            for (String part : List.of("called", "in", "on", "at")) {
                if (parts.containsKey(part)) {
                    text.append(' ').append(part).append(' ').append(parts.get(part));
                }
            }
            offers.add(new Offer(text.toString(), () -> added(profile, n, parts)));
        }
        return offers;
    }

    /** Takes from a line what follows each of these words, up to the next of them; at the very front it is no such word. */
    private static Map<String, String> parts(List<String> words, Set<String> named) {
        Map<String, String> parts = new LinkedHashMap<>();
        List<String> kept = new ArrayList<>();
        @Nullable String part = null;
        for (String word : words) {
            if (named.contains(word) && !kept.isEmpty() && !parts.containsKey(word)) {
                part = word;
                parts.put(part, "");
            } else if (part == null) {
                kept.add(word);
            } else {
                parts.merge(part, word, (said, more) -> said.isEmpty() ? more : said + " " + more);
            }
        }
        parts.values().removeIf(String::isEmpty); // a part that is only begun
        words.clear();
        words.addAll(kept);
        return parts;
    }

    private Made added(Profile profile, int count, Map<String, String> parts) {
        String segment = parts.getOrDefault("on", "");
        Made made = Making.boxes(
                plan, library, profile, count, parts.getOrDefault("called", ""), parts.getOrDefault("in", ""));
        Plan after = made.edit().applyTo(plan);
        if (!segment.isEmpty()) {
            Segment wanted = things(List.of(segment.split(" ", -1)), plan.segments(), s -> true).stream()
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("There is no segment called " + segment + "."));
            after = Making.onSegment(after, made.hosts(), wanted.id());
        }
        if (parts.containsKey("at")) {
            after = Making.at(after, made.hosts(), parts.get("at"));
        }
        return new Made(Making.put(made.edit().text(), plan, after), made.hosts());
    }

    private List<Offer> install(List<String> words) {
        int on = words.indexOf("on");
        List<String> what = on < 0 ? words : words.subList(0, on);
        List<Host> hosts = things(
                on < 0 ? List.of() : words.subList(on + 1, words.size()),
                plan.hosts(),
                h -> h.kind() == HostKind.COMPUTER);
        List<Offer> offers = new ArrayList<>();
        for (Profile profile : library.matching(what)) {
            if (profile.software()) {
                hosts.stream()
                        .limit(3)
                        .forEach(h -> offers.add(new Offer(
                                "Install " + profile.name() + " on " + h.name(),
                                () -> Making.install(plan, profile, h.id()))));
            }
        }
        return offers;
    }

    // --- route and patch ---

    /** The words before a separating word and those after it; nothing after where it is not there. */
    private static List<List<String>> around(List<String> words, String separator) {
        int at = words.indexOf(separator);
        return at < 0 ? List.of(words, List.of()) : List.of(words.subList(0, at), words.subList(at + 1, words.size()));
    }

    /** {@code route [UNIVERSES] SOURCE to RECEIVER}; with a run of universes these, else the next ones. */
    private List<Offer> route(List<String> given) {
        List<String> words = new ArrayList<>(given);
        if (!words.isEmpty() && words.get(0).matches("(?i)u?\\d{1,5}([-–,](u?\\d{1,5}))*")) {
            String run = words.remove(0);
            return run(run, words);
        }
        List<List<String>> sides = around(words, "to");
        List<Application> sources = things(sides.get(0), plan.applications(), this::sends);
        List<Receiver> receivers = things(
                sides.get(1), plan.receivers(), r -> !Wiring.freePorts(plan, r).isEmpty());
        List<Offer> offers = new ArrayList<>();
        for (Application source : sources) {
            for (Receiver receiver : receivers) {
                boolean ownUnlessNamed =
                        sides.get(1).isEmpty() && receiver.application().equals(source.id());
                if (!ownUnlessNamed && offers.size() < MOST_OFFERS) {
                    routes(offers, source, receiver);
                }
            }
        }
        return offers;
    }

    private List<Offer> run(String run, List<String> words) {
        List<List<String>> sides = around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application source : things(sides.get(0), plan.applications(), this::sends)) {
            for (Receiver receiver :
                    things(sides.get(1), plan.receivers(), r -> !r.ports().isEmpty())) {
                if (offers.size() < MOST_OFFERS && !receiver.application().equals(source.id())) {
                    Port first = Wiring.freePorts(plan, receiver).stream()
                            .findFirst()
                            .orElse(receiver.ports().get(0));
                    offers.add(of(
                            "Route U" + run.toUpperCase(Locale.ROOT).replaceAll("U(?=\\d)", "") + " of " + source.name()
                                    + " to " + receiver.name() + ", from " + first.name() + " on",
                            () -> run(run, source, receiver, first)));
                }
            }
        }
        return offers;
    }

    /** A run that there is goes to its ports one after the other; one that is yet to be made, to free ports. */
    private Edit run(String run, Application source, Receiver receiver, Port first) {
        List<NumberRange> ranges = RangeRouting.ranges(run);
        Set<Integer> there = plan.universes().stream().map(Universe::number).collect(Collectors.toSet());
        boolean yetToBeMade = ranges.size() == 1
                && IntStream.rangeClosed(ranges.get(0).first(), ranges.get(0).last())
                        .anyMatch(n -> !there.contains(n));
        return yetToBeMade
                ? Wiring.route(plan, source, receiver, ranges.get(0))
                : RangeRouting.of(plan, source.id(), RangeRouting.universes(plan, run), first.id())
                        .edit();
    }

    private void routes(List<Offer> offers, Application source, Receiver receiver) {
        List<Port> free = Wiring.freePorts(plan, receiver);
        int first = Wiring.firstUniverse(plan, source);
        Port one = free.get(0);
        offers.add(of(
                "Route " + source.name() + " to " + receiver.name() + ", " + one.name() + " (U" + first + ")",
                () -> Wiring.route(plan, source, List.of(one), first)));
        if (free.size() > 1) {
            offers.add(of(
                    "Route " + source.name() + " to " + receiver.name() + ", all " + free.size() + " free ports (U"
                            + first + " to U" + (first + free.size() - 1) + ")",
                    () -> Wiring.route(plan, source, free, first)));
        }
    }

    private boolean sends(Application application) {
        return plan.index()
                .profileOf(application)
                .map(p -> !p.sends().isEmpty() && p.kind() != ApplicationKind.NODE)
                .orElse(!plan.index().streamsFrom(application.id()).isEmpty()
                        || application.kind() == ApplicationKind.CONSOLE);
    }

    /** {@code patch [COUNT] [KIND] [of FOOTPRINT] [on LINE]}. */
    private List<Offer> patch(List<String> words) {
        List<List<String>> sides = around(words, "on");
        List<List<String>> of = around(sides.get(0), "of");
        List<String> what = new ArrayList<>(of.get(0));
        int count = 1;
        if (!what.isEmpty() && what.get(0).matches("\\d{1,3}")) {
            count = Integer.parseInt(what.remove(0));
        }
        int footprint = of.get(1).stream()
                .filter(w -> w.matches("\\d{1,3}"))
                .findFirst()
                .map(Integer::parseInt)
                .orElse(USUAL_FOOTPRINT);
        String type = what.isEmpty() ? "fixture" : String.join(" ", what);
        int n = count;
        List<Line> named = things(
                sides.get(1),
                plan.lines(),
                l -> !plan.index().universesOf(l.port()).isEmpty());
        List<Line> roomy =
                named.stream().filter(l -> Wiring.room(plan, l, footprint) >= n).toList();
        List<Line> lines = roomy.isEmpty() ? named : roomy; // one without room says how much there is
        List<Line> emptiest = lines.stream()
                .sorted(Comparator.comparingInt(
                        l -> plan.index().fixturesOn(l.id()).size()))
                .toList();
        return emptiest.stream()
                .map(l -> of(
                        "Patch " + n + " " + type + " of " + Counted.of(footprint, "slot") + " on " + l.name(),
                        () -> Wiring.patch(plan, l, n, footprint, type, Wiring.nextFixtureNumber(plan))))
                .toList();
    }

    // --- the rest ---

    private List<Offer> remove(List<String> words) {
        return things(words, everything(), x -> true).stream()
                .limit(MOST_OFFERS)
                .map(x -> {
                    Removing removing = Removing.of(plan, List.of(x.id()));
                    String also = removing.alsoInWords();
                    return of(
                            "Remove " + plan.index().name(x.id()) + (also.isEmpty() ? "" : " with " + also),
                            removing::edit);
                })
                .toList();
    }

    private List<Named> everything() {
        List<Named> all = new ArrayList<>(plan.hosts());
        all.addAll(plan.applications());
        all.addAll(plan.universes());
        all.addAll(plan.lines());
        all.addAll(plan.links());
        all.addAll(plan.attachments());
        all.addAll(plan.segments());
        all.addAll(plan.cables());
        all.addAll(plan.fixtures());
        all.addAll(plan.sessions());
        all.addAll(plan.copies());
        all.addAll(plan.all(Kind.ADAPTER));
        all.addAll(plan.receivers());
        all.addAll(plan.all(Kind.PORT));
        return all;
    }

    /** {@code adapter NAME on DEVICE}: one more adapter, of the kind that its name says. */
    private List<Offer> adapter(List<String> words) {
        List<String> rest = new ArrayList<>(words);
        Map<String, String> parts = parts(rest, Set.of("on"));
        String name = String.join(" ", rest);
        if (name.isEmpty()) {
            return List.of();
        }
        String device = parts.getOrDefault("on", "");
        return things(device.isEmpty() ? List.of() : List.of(device.split(" ", -1)), plan.hosts(), h -> true).stream()
                .map(h -> of("Add the adapter " + name + " to " + h.name(), () -> Wiring.adapter(plan, h, name)))
                .toList();
    }

    private List<Offer> duplicate(List<String> words) {
        List<String> what = new ArrayList<>(words);
        int times = 1;
        if (what.size() > 1 && what.get(what.size() - 1).matches("\\d{1,4}")) {
            String whole = String.join(" ", what).toLowerCase(Locale.ROOT);
            boolean partOfName = plan.hosts().stream()
                    .anyMatch(h -> h.name().toLowerCase(Locale.ROOT).endsWith(whole));
            if (!partOfName) {
                times = Integer.parseInt(what.remove(what.size() - 1));
            }
        }
        int n = times;
        return things(what, plan.hosts(), h -> true).stream()
                .map(h -> new Offer(
                        "Duplicate " + h.name() + (n == 1 ? "" : " " + n + " times"),
                        () -> Duplicating.of(plan, List.of(h.id()), n)))
                .toList();
    }

    /** {@code cable [KIND] A to B}; a network cable goes from adapter to adapter or into a switch, others from box to box. */
    private List<Offer> cable(List<String> words) {
        CableKind kind = CableKind.NETWORK;
        List<String> rest = words;
        for (CableKind k : CableKind.values()) {
            if (!words.isEmpty() && words.get(0).equalsIgnoreCase(k.word())) {
                kind = k;
                rest = words.subList(1, words.size());
            }
        }
        List<List<String>> sides = around(rest, "to");
        if (sides.get(1).isEmpty()) {
            return List.of();
        }
        CableKind chosen = kind;
        List<Offer> offers = new ArrayList<>();
        for (Host a : things(sides.get(0), plan.hosts(), h -> true)) {
            for (Host b : things(sides.get(1), plan.hosts(), h -> !h.id().equals(a.id()))) {
                if (offers.size() < MOST_OFFERS) {
                    Id<?> from = chosen == CableKind.NETWORK ? socket(a) : a.id();
                    Id<?> to = chosen == CableKind.NETWORK ? socket(b) : b.id();
                    offers.add(of(
                            "Cable " + plan.index().name(from) + " to "
                                    + plan.index().name(to) + ", " + chosen.word(),
                            () -> Wiring.cable(plan, chosen, from, to)));
                }
            }
        }
        return offers;
    }

    /** {@code split LINE by BOX [into COUNT]}: the splitter's branches become lines. */
    private List<Offer> split(List<String> words) {
        List<List<String>> into = around(words, "into");
        int count = into.get(1).stream()
                .filter(w -> w.matches("\\d{1,3}"))
                .findFirst()
                .map(Integer::parseInt)
                .orElse(1);
        List<List<String>> sides = around(into.get(0), "by");
        List<Offer> offers = new ArrayList<>();
        for (Line line : things(sides.get(0), plan.lines(), l -> true)) {
            for (Host box : things(sides.get(1), plan.hosts(), Wording::passesLines)) {
                if (offers.size() < MOST_OFFERS) {
                    offers.add(of(
                            "Split " + line.name() + " by " + box.name() + " into "
                                    + (count == 1 ? "a line" : count + " lines"),
                            () -> Wiring.split(plan, line, box, count)));
                }
            }
        }
        return offers;
    }

    /** {@code air LINE from SENDER to RECEIVER}: a line by radio. */
    private List<Offer> air(List<String> words) {
        List<List<String>> ends = around(words, "to");
        List<List<String>> start = around(ends.get(0), "from");
        List<Offer> offers = new ArrayList<>();
        for (Line line : things(start.get(0), plan.lines(), l -> true)) {
            for (Host sender : things(start.get(1), plan.hosts(), Wording::passesLines)) {
                for (Host receiver :
                        things(ends.get(1), plan.hosts(), h -> passesLines(h) && !h.id().equals(sender.id()))) {
                    if (offers.size() < MOST_OFFERS) {
                        offers.add(of(
                                "Pass " + line.name() + " on by radio from " + sender.name() + " to " + receiver.name(),
                                () -> Wiring.air(plan, line, sender, receiver)));
                    }
                }
            }
        }
        return offers;
    }

    /** A box that hands a DMX line on has nothing to do with the network. */
    private static boolean passesLines(Host host) {
        return host.adapters().isEmpty();
    }

    /** {@code power BOX from BOX}: a power cable; {@code power BOX by SUPPLY}: one of its supplies. */
    private List<Offer> power(List<String> words) {
        List<List<String>> from = around(words, "from");
        List<List<String>> by = around(words, "by");
        List<Offer> offers = new ArrayList<>();
        if (!from.get(1).isEmpty()) {
            for (Host fed : things(from.get(0), plan.hosts(), h -> true)) {
                for (Host feeder : things(from.get(1), plan.hosts(), h -> !h.id().equals(fed.id()) && mayFeed(h))) {
                    offers.add(of(
                            "Power " + fed.name() + " from " + feeder.name(),
                            () -> Wiring.cable(plan, CableKind.POWER, feeder.id(), fed.id())));
                }
            }
            return offers;
        }
        for (Host host : things(by.get(0), plan.hosts(), h -> true)) {
            List<ProfileSupply> supplies =
                    plan.index().profileOf(host).map(Profile::supplies).orElse(List.of());
            supplies.stream()
                    .filter(s -> matches(s.name(), by.get(1)))
                    .forEach(s ->
                            offers.add(of("Power " + host.name() + " by " + s.name(), () -> Wiring.supply(host, s))));
        }
        return offers;
    }

    private boolean mayFeed(Host host) {
        return plan.index().profileOf(host).map(Profile::passesPower).orElse(true);
    }

    /** {@code bind PROGRAM to ADAPTER}: all it does on a network, or one purpose of it. */
    private List<Offer> bind(List<String> words) {
        List<List<String>> sides = around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application application : things(sides.get(0), plan.applications(), a -> true)) {
            List<Adapter> adapters =
                    things(sides.get(1), plan.index().host(application.host()).adapters(), a -> true);
            for (Adapter adapter : adapters) {
                String to = " of " + application.name() + " to " + adapter.name();
                if (!application.bindings().isEmpty()) {
                    offers.add(of(
                            "Bind everything" + to,
                            () -> Wiring.bind(
                                    application, application.bindings().keySet(), adapter)));
                }
                for (Purpose purpose : Purpose.values()) {
                    if (application.bindings().containsKey(purpose) && offers.size() < MOST_OFFERS) {
                        offers.add(of(
                                "Bind " + purpose.title() + to,
                                () -> Wiring.bind(application, Set.of(purpose), adapter)));
                    }
                }
            }
        }
        return offers;
    }

    /** Any socket of a switch; else the first adapter that has no cable yet, else the first. */
    private Id<?> socket(Host host) {
        if (host.kind() == HostKind.SWITCH || host.adapters().isEmpty()) {
            return host.id();
        }
        return host.adapters().stream()
                .filter(a -> a.kind() == AdapterKind.WIRED)
                .min(Comparator.comparingInt(a -> plan.index().cablesOf(a.id()).size()))
                .<Id<?>>map(Adapter::id)
                .orElse(host.id());
    }

    private List<Offer> put(List<String> words) {
        List<List<String>> sides = around(words, "on");
        List<Offer> offers = new ArrayList<>();
        for (Host host : things(sides.get(0), plan.hosts(), h -> !h.adapters().isEmpty())) {
            for (Segment segment : things(sides.get(1), plan.segments(), s -> true)) {
                if (offers.size() < MOST_OFFERS) {
                    Id<Adapter> first = host.adapters().get(0).id();
                    offers.add(of(
                            "Put the " + plan.index().name(first) + " on " + segment.name(),
                            () -> Wiring.onSegment(plan, List.of(first), segment)));
                }
            }
        }
        return offers;
    }

    private List<Offer> rename(List<String> words) {
        List<List<String>> sides = around(words, "to");
        String name = String.join(" ", sides.get(1));
        if (name.isEmpty()) {
            return List.of();
        }
        return things(sides.get(0), everything(), x -> true).stream()
                .map(x -> of(
                        "Rename " + plan.index().name(x.id()) + " to " + name, () -> Renaming.of(plan, x.id(), name)))
                .toList();
    }

    /** {@code attach CONSOLE to PREVIS}: the console's own stream. */
    private List<Offer> attach(List<String> words) {
        List<List<String>> sides = around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application from : things(sides.get(0), plan.applications(), a -> a.kind() == ApplicationKind.CONSOLE)) {
            for (Application to : things(
                    sides.get(1),
                    plan.applications(),
                    a -> !a.id().equals(from.id())
                            && (a.kind() == ApplicationKind.PREVIS || a.kind() == ApplicationKind.PLAYBACK))) {
                if (offers.size() < MOST_OFFERS) {
                    offers.add(of(
                            "Attach " + to.name() + " to " + from.name() + " by its own stream",
                            () -> Wiring.attach(plan, from, to)));
                }
            }
        }
        return offers;
    }

    private List<Offer> link(List<String> words) {
        List<List<String>> sides = around(words, "to");
        List<String> target = new ArrayList<>(sides.get(1));
        String pattern =
                target.stream().filter(w -> w.startsWith("/")).findFirst().orElse("/go");
        target.remove(pattern);
        List<Offer> offers = new ArrayList<>();
        for (Application from : things(sides.get(0), plan.applications(), Wording::talksOsc)) {
            for (Application to :
                    things(target, plan.applications(), a -> a.osc().isPresent() && !a.id().equals(from.id()))) {
                if (offers.size() < MOST_OFFERS) {
                    offers.add(of(
                            "Link " + from.name() + " to " + to.name() + " by OSC " + pattern,
                            () -> Wiring.control(plan, from, to, pattern)));
                }
            }
        }
        return offers;
    }

    private static boolean talksOsc(Application a) {
        return a.osc().isPresent() || a.bindings().containsKey(Purpose.OSC_SEND);
    }

    private List<Offer> segment(List<String> words) {
        List<String> name = new ArrayList<>(words);
        Subnet range = Making.FIRST_RANGE;
        if (!name.isEmpty() && name.get(name.size() - 1).contains("/")) {
            try {
                range = Subnet.parse(name.remove(name.size() - 1));
            } catch (IllegalArgumentException e) {
                return List.of(of("Add a segment: " + e.getMessage(), () -> {
                    throw new IllegalArgumentException(e.getMessage(), e);
                }));
            }
        }
        String called = name.isEmpty() ? "Network" : String.join(" ", name);
        Subnet chosen = range;
        return List.of(of("Add the segment " + called + ", " + chosen, () -> Wiring.segment(plan, called, chosen)));
    }

    /** What is so about a segment: {@code mark SEGMENT as guests}. */
    private List<Offer> mark(List<String> words) {
        List<List<String>> sides = around(words, "as");
        Map<String, UnaryOperator<Segment>> facts = new LinkedHashMap<>();
        facts.put("open to guests", s -> s.withGuests(true));
        facts.put("closed to guests", s -> s.withGuests(false));
        facts.put("with a way out", s -> s.withWayOut(true));
        facts.put("without a way out", s -> s.withWayOut(false));
        facts.put("keeping wireless clients apart", s -> s.withIsolated(true));
        facts.put("letting wireless clients reach each other", s -> s.withIsolated(false));
        List<Offer> offers = new ArrayList<>();
        for (Segment segment : things(sides.get(0), plan.segments(), s -> true)) {
            facts.forEach((fact, change) -> {
                boolean asked = sides.get(1).stream()
                        .allMatch(w -> List.of(fact.split(" ", -1)).contains(w.toLowerCase(Locale.ROOT)));
                if (asked && !change.apply(segment).equals(segment) && offers.size() < MOST_OFFERS) {
                    String what = "Mark " + segment.name() + " as " + fact;
                    offers.add(of(what, () -> new Edit(what, p -> p.with(segment.id(), change))));
                }
            });
        }
        return offers;
    }

    // --- naming things ---

    /** The things that words name, the nearest match first; what is selected, or all, where there are no words. */
    private <T extends Named> List<T> things(List<String> words, List<T> all, Predicate<T> fit) {
        if (words.isEmpty()) {
            List<T> chosen = all.stream()
                    .filter(t -> selected.filter(s -> belongs(s, t.id())).isPresent())
                    .filter(fit)
                    .toList();
            return chosen.isEmpty() ? all.stream().filter(fit).toList() : chosen;
        }
        String joined = String.join(" ", words).toLowerCase(Locale.ROOT);
        List<T> called = all.stream()
                .filter(fit)
                .filter(t -> matches(called(t), words))
                .sorted(Comparator.comparingInt(t ->
                        t.name().toLowerCase(Locale.ROOT).equals(joined)
                                ? 0
                                : t.name().toLowerCase(Locale.ROOT).startsWith(joined)
                                        ? 1
                                        : matches(plan.index().name(t.id()), words) ? 2 : 3))
                .toList();
        return called.isEmpty()
                ? all.stream()
                        .filter(fit)
                        .filter(t -> matches(called(t) + " " + place(t), words))
                        .toList()
                : called;
    }

    /** Where a thing stands; people say the place where the name does not hold it. */
    private String place(Named thing) {
        PlanIndex index = plan.index();
        if (thing instanceof Host h) {
            return h.place();
        }
        if (thing instanceof Application a) {
            return index.hostOf(a.id()).place();
        }
        if (thing instanceof Receiver r) {
            return index.hostOf(r.application()).place();
        }
        return thing instanceof Line l
                ? index.hostOf(index.applicationOf(l.port()).id()).place()
                : "";
    }

    /** The name of a thing, and for a box the names of what runs on it: people say either. */
    private String called(Named thing) {
        String name = plan.index().name(thing.id());
        return thing instanceof Host h
                ? name + " "
                        + String.join(
                                " ",
                                plan.index().applicationsOn(h.id()).stream()
                                        .map(Application::name)
                                        .toList())
                : name;
    }

    private static boolean matches(String name, List<String> words) {
        String lower = name.toLowerCase(Locale.ROOT);
        return words.stream().allMatch(w -> lower.contains(w.toLowerCase(Locale.ROOT)));
    }

    /** Whether what is selected is a thing, or what the thing runs on or belongs to. */
    private boolean belongs(Id<?> chosen, Id<?> thing) {
        if (chosen.equals(thing)) {
            return true;
        }
        PlanIndex index = plan.index();
        Object found = index.find(thing).orElse(null);
        if (found instanceof Application a) {
            return a.host().equals(chosen);
        }
        if (found instanceof Receiver r) {
            return belongs(chosen, r.application());
        }
        if (found instanceof Line l) {
            return chosen.equals(l.port())
                    || belongs(chosen, index.receiverOf(l.port()).id());
        }
        if (found instanceof Host h) {
            return h.adapters().stream().anyMatch(a -> a.id().equals(chosen))
                    || index.applicationsOn(h.id()).stream()
                            .anyMatch(a -> a.id().equals(chosen)
                                    || index.receiversOf(a.id()).stream().anyMatch(r -> r.id().equals(chosen)));
        }
        return false;
    }
}
