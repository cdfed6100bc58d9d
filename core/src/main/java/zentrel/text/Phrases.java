package zentrel.text;

import java.util.Map;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The texts of one subject, in a properties file of their own, so that a second language can stand beside the first. */
public final class Phrases {
    private final ResourceBundle bundle;
    private final Map<String, Template> known = new ConcurrentHashMap<>();

    /**
     * Opens the texts of a subject.
     *
     * @param bundle as resource bundles are named: {@code zentrel.path.words.hops}
     */
    public Phrases(String bundle) {
        this.bundle = ResourceBundle.getBundle(bundle, java.util.Locale.ROOT);
    }

    /**
     * A text.
     *
     * @throws java.util.MissingResourceException if there is none of that key
     */
    public Template of(String key) {
        return known.computeIfAbsent(key, k -> new Template(bundle.getString(k)));
    }

    /**
     * A text without places, as it is.
     *
     * @throws java.util.MissingResourceException if there is none of that key
     */
    public String text(String key) {
        return bundle.getString(key);
    }

    public boolean has(String key) {
        return bundle.containsKey(key);
    }

    /** Every key. */
    public Set<String> keys() {
        return bundle.keySet();
    }
}
