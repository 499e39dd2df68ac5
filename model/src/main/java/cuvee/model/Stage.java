package cuvee.model;

/** The stages of the way from files to a master, in their order; each is a segment of the ledger strip. */
public enum Stage {
    COLLECT("Collect"),
    READ("Read"),
    LINE_UP("Line up"),
    REWORK("Rework"),
    CHECK("Check"),
    MASTER("Master"),
    DELIVER("Deliver");

    private final String title;

    Stage(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
