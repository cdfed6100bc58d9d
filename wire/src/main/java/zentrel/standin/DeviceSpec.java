package zentrel.standin;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.plan.OscInput;

/**
 * All that a stand-in of one program does, as the plan says it is set now.
 *
 * @param program whose stand-in it is
 * @param name what it calls itself
 * @param cid its identity in sACN: the one of the plan, else one made from the program
 * @param streams what it sends; streams that are switched off are not in here
 * @param sync the sACN universe on which it sends synchronization packets; empty where it sends none
 * @param ports what it takes
 * @param answersPolls whether it answers Art-Net polls
 * @param passesOn ports whose levels it sends on, with the streams by which it does
 * @param osc how it takes OSC; empty where it does not
 * @param notModelled what of the plan the stand-in does not do
 */
public record DeviceSpec(
        Id<Application> program,
        String name,
        UUID cid,
        List<ConsoleStream> streams,
        Optional<Integer> sync,
        List<StandinPort> ports,
        boolean answersPolls,
        Map<String, List<String>> passesOn,
        Optional<OscInput> osc,
        List<NotModelled> notModelled) {
    public DeviceSpec {
        streams = List.copyOf(streams);
        ports = List.copyOf(ports);
        passesOn = Map.copyOf(passesOn);
        notModelled = List.copyOf(notModelled);
    }

    /** What turns the addresses that a plan's program sends to into those of the net that it is tried on. */
    @FunctionalInterface
    public interface Destinations {
        /** Where what a program sends to a planned address is sent to; empty where nobody is there. */
        Optional<Ipv4Address> of(Application sender, Ipv4Address planned);
    }

    /** Its console, where it sends anything. */
    public Optional<ConsoleSpec> console() {
        return streams.isEmpty() ? Optional.empty() : Optional.of(new ConsoleSpec(name, cid, streams, false, sync));
    }
}
