package zentrel.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import zentrel.gear.*;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;

/** Lines about programs: where they run, what they are bound to, what they talk to. */
final class ProgramWords {
    private final Plan plan;
    private final Things things;
    private final Library library;

    ProgramWords(Things things, Library library) {
        this.things = things;
        this.library = library;
        plan = things.plan();
    }

    List<Offer> install(List<String> words) {
        int on = words.indexOf("on");
        List<String> what = on < 0 ? words : words.subList(0, on);
        List<Host> hosts = things.named(
                on < 0 ? List.of() : words.subList(on + 1, words.size()),
                plan.hosts(),
                h -> h.kind() == HostKind.COMPUTER,
                "a computer");
        List<Offer> offers = new ArrayList<>();
        if (!what.isEmpty() && library.matching(what).stream().noneMatch(Profile::software)) {
            things.note("No program is called “" + String.join(" ", what) + "”. There is "
                    + library.profiles().stream()
                            .filter(Profile::software)
                            .map(Profile::name)
                            .collect(Collectors.joining(", "))
                    + ".");
        }
        for (Profile profile : library.matching(what)) {
            if (profile.software()) {
                hosts.stream()
                        .limit(3)
                        .forEach(h -> offers.add(new Offer(
                                "Install " + profile.name() + " on " + h.name(),
                                () -> DeviceFactory.install(plan, profile, h.id()))));
            }
        }
        return offers;
    }

    /** {@code bind PROGRAM to ADAPTER}: all it does on a network, or one purpose of it; also to loopback, automatic, all or first. */
    List<Offer> bind(List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application application : things.named(sides.get(0), plan.applications(), a -> true, "a program")) {
            String said = String.join(" ", sides.get(1)).toLowerCase(Locale.ROOT);
            List<Adapter> own = plan.index().host(application.host()).adapters();
            boolean named =
                    own.stream().anyMatch(a -> a.name().toLowerCase(Locale.ROOT).contains(said));
            Stream.of(BindingMode.values())
                    .filter(m -> m != BindingMode.ADAPTERS && m.word().equals(said) && !named)
                    .forEach(m -> bound(offers, application, said, new Binding(m, List.of())));
            if (offers.isEmpty()) {
                for (Adapter adapter : things.named(sides.get(1), own, a -> true, "an adapter of its device")) {
                    bound(
                            offers,
                            application,
                            adapter.name(),
                            adapter.kind() == AdapterKind.LOOPBACK ? Binding.LOOPBACK : Binding.to(adapter.id()));
                }
            }
        }
        return offers;
    }

    private static void bound(List<Offer> offers, Application application, String name, Binding binding) {
        String to = " of " + application.name() + " to " + name;
        if (!application.bindings().isEmpty()) {
            offers.add(Offer.of(
                    "Bind everything" + to,
                    () -> Connections.bind(application, application.bindings().keySet(), binding, name)));
        }
        for (Purpose purpose : Purpose.values()) {
            if (application.bindings().containsKey(purpose) && offers.size() < Commands.MOST_OFFERS) {
                offers.add(Offer.of(
                        "Bind " + purpose.title() + to,
                        () -> Connections.bind(application, Set.of(purpose), binding, name)));
            }
        }
    }

    /** {@code attach CONSOLE to PREVIS}: the console's own stream. */
    List<Offer> attach(List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        List<Offer> offers = new ArrayList<>();
        for (Application from : things.named(
                sides.get(0), plan.applications(), a -> a.kind() == ApplicationKind.CONSOLE, "a console")) {
            for (Application to : things.named(
                    sides.get(1),
                    plan.applications(),
                    a -> !a.id().equals(from.id())
                            && (a.kind() == ApplicationKind.PREVIS || a.kind() == ApplicationKind.PLAYBACK),
                    "a previs or a playback controller")) {
                if (offers.size() < Commands.MOST_OFFERS) {
                    offers.add(Offer.of(
                            "Attach " + to.name() + " to " + from.name() + " by its own stream",
                            () -> Connections.attach(plan, from, to)));
                }
            }
        }
        return offers;
    }

    List<Offer> link(List<String> words) {
        List<List<String>> sides = Words.around(words, "to");
        List<String> target = new ArrayList<>(sides.get(1));
        String pattern =
                target.stream().filter(w -> w.startsWith("/")).findFirst().orElse(Connections.USUAL_OSC);
        target.remove(pattern);
        List<Offer> offers = new ArrayList<>();
        for (Application from :
                things.named(sides.get(0), plan.applications(), ProgramWords::talksOsc, "a program that sends OSC")) {
            for (Application to : things.named(
                    target,
                    plan.applications(),
                    a -> a.osc().isPresent() && !a.id().equals(from.id()),
                    "a program that receives OSC")) {
                if (offers.size() < Commands.MOST_OFFERS) {
                    offers.add(Offer.of(
                            "Link " + from.name() + " to " + to.name() + " by OSC " + pattern,
                            () -> Connections.control(plan, from, to, pattern)));
                }
            }
        }
        return offers;
    }

    private static boolean talksOsc(Application a) {
        return a.osc().isPresent() || a.bindings().containsKey(Purpose.OSC_SEND);
    }
}
