package zentrel.profile;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.text.PlainText;

/**
 * A program that a profile brings: a device's firmware, or software for a computer.
 *
 * @param sends the protocols it can send
 * @param takes the protocols it can take
 * @param answersPolls whether it answers Art-Net polls
 * @param screenFirst per protocol, what its screen shows for the first wire number; as in {@link zentrel.plan.Application}
 * @param ports its connectors, or inputs inside it
 * @param oscPort the UDP port on which it takes OSC unless set otherwise, if it takes OSC
 * @param storesShow whether it plays a show that is stored on it
 * @param licences the licences it is sold under
 * @param attachments hardware that unlocks something
 * @param limits how many universes it sends
 * @param needs what must be so before it sends anything
 * @param start how it starts, and what must run before it
 * @param accepts the ranges of which it uses addresses, whatever its device accepts; empty where it uses any
 */
public record ProfileApplication(
        String name,
        ApplicationKind kind,
        Set<Protocol> sends,
        Set<Protocol> takes,
        boolean answersPolls,
        Merge merge,
        Map<Protocol, Integer> screenFirst,
        List<ProfilePorts> ports,
        Optional<Integer> oscPort,
        boolean storesShow,
        List<String> licences,
        List<String> attachments,
        List<ProfileLimit> limits,
        List<ProfileNeed> needs,
        ProfileStart start,
        List<Subnet> accepts) {
    public ProfileApplication {
        PlainText.require("The name of a program", name);
        PlainText.requireAll("A licence", licences);
        PlainText.requireAll("The name of an attached key", attachments);
        sends = Set.copyOf(sends);
        takes = Set.copyOf(takes);
        screenFirst = Map.copyOf(screenFirst);
        ports = List.copyOf(ports);
        licences = List.copyOf(licences);
        attachments = List.copyOf(attachments);
        limits = List.copyOf(limits);
        needs = List.copyOf(needs);
        accepts = List.copyOf(accepts);
    }

    /** Whether it uses an address. */
    public boolean accepts(Ipv4Address address) {
        return accepts.isEmpty() || accepts.stream().anyMatch(s -> s.contains(address));
    }

    /**
     * The most universes that such a program sends by a protocol for certain; empty where nothing limits it.
     *
     * @param version its version; one that is not specified meets no condition on it
     * @param licence the licence it runs under
     * @param attached the hardware attached for it
     */
    public Optional<Integer> limit(
            Protocol protocol, Optional<String> version, Optional<String> licence, List<String> attached) {
        return most(protocol, l -> l.holdsFor(version, licence, attached));
    }

    /** The most that it may send by a protocol, if it is of the best version; empty where nothing limits it. */
    public Optional<Integer> limitOfAnyVersion(Protocol protocol, Optional<String> licence, List<String> attached) {
        return most(protocol, l -> l.holdsOfAnyVersion(licence, attached));
    }

    private Optional<Integer> most(Protocol protocol, Predicate<ProfileLimit> holds) {
        List<ProfileLimit> about =
                limits.stream().filter(l -> l.protocol() == protocol).toList();
        return about.isEmpty()
                ? Optional.empty()
                : Optional.of(about.stream()
                        .filter(holds)
                        .mapToInt(ProfileLimit::universes)
                        .max()
                        .orElse(0));
    }
}
