package cuvee.finding;

import cuvee.place.Where;
import org.jspecify.annotations.Nullable;

/** Work that cannot go on; carries the finding that says why. */
public final class CuveeException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient Finding finding;

    public CuveeException(Finding finding) {
        super(finding.text());
        this.finding = finding;
    }

    public CuveeException(Finding finding, @Nullable Throwable cause) {
        super(finding.text(), cause);
        this.finding = finding;
    }

    /** A failure: what happened, what was done, what can be done. */
    public static CuveeException failure(String kind, Where where, String what, String done, String canDo) {
        return new CuveeException(new Finding(Severity.FAILURE, kind, where, what, done, canDo));
    }

    public Finding finding() {
        return finding;
    }
}
