package cuvee.desktop;

/** Starts Cuvee. */
public final class Launcher {
    private Launcher() {}

    public static void main(String[] arguments) {
        cuvee.command.Main.main(arguments);
    }
}
