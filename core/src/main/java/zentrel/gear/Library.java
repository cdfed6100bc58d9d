package zentrel.gear;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import zentrel.file.PlanFileException;
import zentrel.file.ProfileFile;
import zentrel.plan.Plan;
import zentrel.profile.Profile;

/**
 * The profiles to choose from: those that ship with the program, the user's own (files in a folder), and those that a plan
 * carries. Of two with one id the nearest counts: the plan's, then the user's, then the shipped one.
 */
public final class Library {
    private static final String FOLDER = "/zentrel/gear/profiles/";

    private final Map<String, Profile> byId;
    private final List<String> problems;

    private Library(Map<String, Profile> byId, List<String> problems) {
        this.byId = new LinkedHashMap<>(byId);
        this.problems = List.copyOf(problems);
    }

    /** The profiles that ship. */
    public static Library shipped() {
        Map<String, Profile> profiles = new LinkedHashMap<>();
        for (String name : needed("index.txt").lines().toList()) {
            Profile profile = shipped(name);
            profiles.put(profile.id(), profile);
        }
        return new Library(profiles, List.of());
    }

    /** One profile that ships, read by itself; empty where none has this id. */
    public static Optional<Profile> shippedProfile(String id) {
        String name = id.substring(id.indexOf('/') + 1);
        return resource(name + ".json").map(text -> profile(name, text));
    }

    private static Profile shipped(String name) {
        return profile(name, needed(name + ".json"));
    }

    private static Profile profile(String name, String text) {
        try {
            return ProfileFile.read(text.getBytes(StandardCharsets.UTF_8));
        } catch (PlanFileException e) {
            throw new IllegalStateException("The shipped profile " + name + " is damaged: " + e.getMessage(), e);
        }
    }

    private static String needed(String name) {
        return resource(name)
                .orElseThrow(() -> new IllegalStateException("The program lacks its file " + FOLDER + name + "."));
    }

    private static Optional<String> resource(String name) {
        try (InputStream in = Library.class.getResourceAsStream(FOLDER + name)) {
            return in == null ? Optional.empty() : Optional.of(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** This library with the user's own profiles from a folder; a file that cannot be read is a problem, not the end. */
    public Library with(Path folder) {
        if (!Files.isDirectory(folder)) {
            return this;
        }
        Map<String, Profile> all = new LinkedHashMap<>(byId);
        List<String> wrong = new ArrayList<>(problems);
        try (var files = Files.list(folder)) {
            for (Path file :
                    files.filter(f -> f.toString().endsWith(".json")).sorted().toList()) {
                try {
                    Profile profile = ProfileFile.open(file);
                    all.put(profile.id(), profile);
                } catch (PlanFileException e) {
                    wrong.add(file.getFileName() + ": " + e.getMessage());
                }
            }
        } catch (IOException e) {
            wrong.add("The folder " + folder + " cannot be read: " + e.getMessage() + ".");
        }
        return new Library(all, wrong);
    }

    /** This library with the profiles that a plan carries. */
    public Library with(Plan plan) {
        Map<String, Profile> all = new LinkedHashMap<>(byId);
        plan.profiles().forEach(p -> all.put(p.id(), p));
        return new Library(all, problems);
    }

    /** What could not be read, a sentence each. */
    public List<String> problems() {
        return problems;
    }

    public List<Profile> profiles() {
        return List.copyOf(byId.values());
    }

    public Optional<Profile> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /**
     * The profiles that words describe, the best first: each word must begin one of a profile's words or be in its name; a
     * number must be its number of ports or one of its words. A profile whose words are met by fewer of its own is better.
     */
    public List<Profile> matching(List<String> words) {
        List<Profile> matching = new ArrayList<>();
        for (Profile profile : byId.values()) {
            if (words.stream().allMatch(w -> meets(profile, w))) {
                matching.add(profile);
            }
        }
        matching.sort(Comparator.<Profile>comparingInt(p -> -exact(p, words))
                .thenComparingInt(p -> p.words().size()));
        return matching;
    }

    private static boolean meets(Profile profile, String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        if (lower.matches("\\d+")) {
            return profile.words().contains(lower)
                    || String.valueOf(profile.portCount()).equals(lower);
        }
        if (lower.length() < 2) {
            return profile.words().contains(lower); // one letter begins too much
        }
        String singular = lower.length() > 3 && lower.endsWith("s") ? lower.substring(0, lower.length() - 1) : lower;
        return profile.words().stream().anyMatch(w -> w.startsWith(lower) || w.startsWith(singular))
                || profile.name().toLowerCase(Locale.ROOT).contains(lower);
    }

    private static int exact(Profile profile, List<String> words) {
        return (int) words.stream()
                .filter(w -> profile.words().contains(w.toLowerCase(Locale.ROOT)))
                .count();
    }
}
