package zentrel.profile;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.text.IdText;
import zentrel.text.PlainText;

/**
 * What a kind of box or a kind of software can do, as data. A plan carries the profiles it uses, so that it opens anywhere.
 *
 * @param id its name among profiles: {@code house/node-4}
 * @param words other words by which people ask for it
 * @param software whether it is installed on a computer instead of being a box
 * @param accepts the address ranges it accepts; empty where it accepts any
 * @param sockets how many network sockets it has
 * @param passesNetwork whether a second socket passes the network on
 * @param passesPower whether it passes power on
 * @param supplies the ways to power it; empty where nobody has said
 * @param clashes pairs of supplies that must not both be connected
 * @param poe the power it gives over its network sockets, if it does
 * @param direct names of adapters whose cable must lead straight to its partner, with nothing in between
 * @param steps what makes a setting come in force; a setting that no step is about is in force as soon as it is typed in
 * @param signs what is seen on it in which state
 * @param menus where a setting is found on it: subject, as in {@link ProfileStep}, and the way through its menus, in the
 *     order in which its menus are gone through
 */
public record Profile(
        String id,
        String name,
        String summary,
        List<String> words,
        boolean software,
        HostKind kind,
        OperatingSystem system,
        List<ProfileAdapter> adapters,
        List<ProfileApplication> applications,
        List<Subnet> accepts,
        int sockets,
        boolean passesNetwork,
        boolean passesPower,
        List<ProfileSupply> supplies,
        List<List<String>> clashes,
        Optional<ProfilePoe> poe,
        List<String> direct,
        List<ProfileStep> steps,
        List<ProfileSign> signs,
        Map<String, String> menus) {
    public Profile {
        PlainText.require("The id of a profile", id);
        PlainText.require("The name of a profile", name);
        PlainText.require("The summary of a profile", summary);
        PlainText.requireAll("A word of a profile", words);
        PlainText.requireAll("A menu of a profile", menus.values());
        words = List.copyOf(words);
        adapters = List.copyOf(adapters);
        applications = List.copyOf(applications);
        accepts = List.copyOf(accepts);
        supplies = List.copyOf(supplies);
        clashes = clashes.stream().map(List::copyOf).toList();
        direct = List.copyOf(direct);
        steps = List.copyOf(steps);
        signs = List.copyOf(signs);
        menus = Collections.unmodifiableMap(
                new LinkedHashMap<>(menus)); // in the order in which its menus are gone through
        IdText.requireValid(id);
        if (software && !adapters.isEmpty()) {
            throw new IllegalArgumentException("Software has no adapters of its own; the computer it runs on has.");
        }
        for (List<String> clash : clashes) {
            for (String supply : clash) {
                requireSupply(supplies, supply);
            }
        }
        for (String adapter : direct) {
            if (adapters.stream().noneMatch(a -> a.name().equals(adapter))) {
                throw new IllegalArgumentException(
                        "\"" + adapter + "\" must be cabled directly, and there is no adapter of that name.");
            }
        }
    }

    /** Whether its boxes work at an address: at any, where the profile names no ranges. */
    public boolean accepts(Ipv4Address address) {
        return accepts.isEmpty() || accepts.stream().anyMatch(a -> a.contains(address));
    }

    private static void requireSupply(List<ProfileSupply> supplies, String name) {
        if (supplies.stream().noneMatch(s -> s.name().equals(name))) {
            throw new IllegalArgumentException("\"" + name + "\" clashes, and there is no supply of that name.");
        }
    }

    /** The ports of all its programs, counted. */
    public int portCount() {
        return applications.stream()
                .flatMap(a -> a.ports().stream())
                .mapToInt(ProfilePorts::count)
                .sum();
    }

    /** The steps after typing in something. */
    public List<ProfileStep> stepsAfter(String subject) {
        return steps.stream().filter(s -> s.of().contains(subject)).toList();
    }
}
