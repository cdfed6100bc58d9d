package zentrel.profile;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
        List<ProfileLimit> limits) {
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
    }

    /**
     * The most universes that such a program sends by a protocol; empty where nothing limits it.
     *
     * @param version its version; one that is not specified meets any condition
     * @param licence the licence it runs under
     * @param attached the hardware attached for it
     */
    public Optional<Integer> limit(
            Protocol protocol, Optional<String> version, Optional<String> licence, List<String> attached) {
        List<ProfileLimit> about =
                limits.stream().filter(l -> l.protocol() == protocol).toList();
        if (about.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(about.stream()
                .filter(l -> l.holdsFor(version, licence, attached))
                .mapToInt(ProfileLimit::universes)
                .max()
                .orElse(0));
    }
}
