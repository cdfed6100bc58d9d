package zentrel.app.look;

/** Threads that do not keep the program alive. */
public final class Daemons {
    private Daemons() {}

    /** One that has not started yet. */
    public static Thread of(Runnable work, String name) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        return thread;
    }
}
