package cuvee.gather;

/** Whether sources that have not changed are read again. */
public enum Reread {
    CHANGED_ONLY,
    EVERYTHING
}
