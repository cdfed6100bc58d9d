package zentrel.gear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.profile.ProfileStep;

/**
 * The way of what is planned for a box into force: typed in on the device, then applied or restarted as its profile says.
 * The signal path uses what is in force.
 *
 * @param waiting settings that are planned and not typed in yet: key, and what each is about
 * @param entered settings that are typed in and not in force yet
 * @param steps what has to be done for those, in the order of the profile, each once
 */
public record SettingRollout(Map<String, String> waiting, Map<String, String> entered, List<ProfileStep> steps) {
    public SettingRollout {
        waiting = Map.copyOf(waiting);
        entered = Map.copyOf(entered);
        steps = List.copyOf(steps);
    }

    /**
     * A setting that is planned and not in force yet.
     *
     * @param owner the thing that it belongs to
     * @param field which of its settings, as in {@link #key}
     * @param subject what it is about, as in {@link ProfileStep}
     */
    public record Pending(Id<?> owner, String field, String subject, Setting<?> setting) {
        public String key() {
            return HostSettings.key(owner, field);
        }
    }

    /** All that is planned for a box and not in force yet, in the order of the plan. */
    public static List<Pending> pending(Plan plan, Id<Host> host) {
        List<Pending> pending = new ArrayList<>();
        HostSettings.changed(plan, host, new HostSettings.Change() {
            @Override
            public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                if (setting.isPending()) {
                    int end = key.lastIndexOf('/');
                    Id<?> owner = plan.index().idOf(key.substring(0, end)).orElseThrow();
                    pending.add(new Pending(owner, key.substring(end + 1), subject, setting));
                }
                return setting;
            }
        });
        return pending;
    }

    /** How far a box is. */
    public static SettingRollout of(Plan plan, Id<Host> host) {
        Map<String, String> waiting = new TreeMap<>();
        Map<String, String> entered = new TreeMap<>();
        for (Pending pending : pending(plan, host)) {
            (pending.setting().entered() ? entered : waiting).put(pending.key(), pending.subject());
        }
        return new SettingRollout(waiting, entered, steps(plan, host, new LinkedHashSet<>(entered.values())));
    }

    /** The steps that the profile asks for after typing in such things; two that ask for the same are one. */
    private static List<ProfileStep> steps(Plan plan, Id<Host> host, Set<String> subjects) {
        Map<String, ProfileStep> byWords = new LinkedHashMap<>();
        PlanIndex index = plan.index();
        List<Profile> profiles = new ArrayList<>();
        index.profileOf(index.host(host)).ifPresent(profiles::add);
        index.applicationsOn(host).stream()
                .flatMap(a -> a.installed().profile().flatMap(index::profile).stream())
                .filter(p -> !profiles.contains(p))
                .distinct()
                .forEach(profiles::add);
        for (Profile profile : profiles) {
            for (ProfileStep step : profile.steps()) {
                if (step.of().stream().anyMatch(subjects::contains)) {
                    byWords.merge(
                            step.does(),
                            step,
                            (a, b) -> new ProfileStep(
                                    a.of(),
                                    a.does(),
                                    Math.max(a.times(), b.times()),
                                    Math.max(a.seconds(), b.seconds()),
                                    a.why().isEmpty() ? b.why() : a.why()));
                }
            }
        }
        return List.copyOf(byWords.values());
    }

    /** How long the steps take together, in seconds. */
    public int seconds() {
        return steps.stream().mapToInt(s -> s.times() * s.seconds()).sum();
    }

    /** Whether typing in something on this box takes a step before it is in force. */
    public static boolean needsStep(Plan plan, Id<Host> host, String subject) {
        return !steps(plan, host, Set.of(subject)).isEmpty();
    }

    /** Ticks settings off as typed in; those that need no step are in force with that. */
    public static Edit typeIn(Plan plan, Id<Host> host, Set<String> keys) {
        String name = plan.index().name(host);
        return new Edit(
                "Typed in on " + name,
                p -> HostSettings.changed(p, host, new HostSettings.Change() {
                    @Override
                    public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                        if (!keys.contains(key) || !setting.isPending()) {
                            return setting;
                        }
                        return needsStep(p, host, subject) ? setting.typedIn() : setting.applied();
                    }
                }));
    }

    /** The steps are done: all that was typed in is in force. */
    public static Edit carriedOut(Plan plan, Id<Host> host) {
        return new Edit(
                "In force on " + plan.index().name(host),
                p -> HostSettings.changed(p, host, new HostSettings.Change() {
                    @Override
                    public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                        return setting.entered() ? setting.applied() : setting;
                    }
                }));
    }

    /**
     * An edit that only plans what another would set at once: on every box what is in force stays as it was, and what the
     * other edit adds or takes away is done.
     */
    public static Edit onlyPlanned(Edit edit) {
        return new Edit(edit.text() + ", planned", before -> {
            Plan after = edit.applyTo(before);
            for (Host host : after.hosts()) {
                if (before.index().find(host.id()).isPresent()) {
                    Map<String, Setting<?>> old = settings(before, host.id());
                    sentBefore(before, host.id(), old);
                    after = HostSettings.changed(after, host.id(), new HostSettings.Change() {
                        @Override
                        public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                            return planned(setting, old.get(key));
                        }
                    });
                }
            }
            return after;
        });
    }

    /** A stream without a number of its own is sent as its label says, and that is in force until it gets one. */
    private static void sentBefore(Plan plan, Id<Host> host, Map<String, Setting<?>> old) {
        PlanIndex index = plan.index();
        for (Application a : index.applicationsOn(host)) {
            for (zentrel.plan.Stream s : index.streamsFrom(a.id())) {
                index.wireOf(s).ifPresent(w -> old.putIfAbsent(HostSettings.key(s.id(), "wire"), Setting.of(w)));
            }
        }
    }

    private static Map<String, Setting<?>> settings(Plan plan, Id<Host> host) {
        Map<String, Setting<?>> found = new HashMap<>();
        Plan unused = HostSettings.changed(plan, host, new HostSettings.Change() {
            @Override
            public <T> Setting<T> of(String key, String subject, Setting<T> setting) {
                found.put(key, setting);
                return setting;
            }
        });
        return found;
    }

    /** The new planned value beside the old one in force, which is of the same type: both stand under one key. */
    @SuppressWarnings("unchecked")
    private static <T> Setting<T> planned(Setting<T> now, @Nullable Setting<?> before) {
        return before == null || before.equals(now) ? now : new Setting<>(now.planned(), (T) before.inForce());
    }

    /** The key by which a setting is ticked off. */
    public static String key(Id<?> id, String field) {
        return HostSettings.key(id, field);
    }
}
