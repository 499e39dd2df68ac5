package cuvee.gather;

/** Hears how far a run has come; may be called from several threads. */
public interface Progress {
    /** Nobody listens. */
    Progress NONE = (stage, done, of) -> {};

    /**
     * So much of a stage is done.
     *
     * @param of how much there is; 0 where that is not known
     * @throws java.util.concurrent.CancellationException to stop the run without harm
     */
    void at(Stage stage, long done, long of);

    /** The stages of a run. */
    enum Stage {
        COLLECTING("looking at the places"),
        READING("reading"),
        PLANNING("lining up"),
        MAKING("making the master");

        private final String words;

        Stage(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
