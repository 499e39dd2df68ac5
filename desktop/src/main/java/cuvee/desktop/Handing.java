package cuvee.desktop;

import cuvee.deliver.TargetGuard.Existing;
import cuvee.model.JobModel;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.BiConsumer;

/** Writes what is handed to others where the analyst says; over a file of others only when that is said too. */
final class Handing {
    private Handing() {}

    /** Chooses a file and has it written. */
    static void over(
            JobModel model,
            Choosers choosers,
            String title,
            Path proposed,
            String ending,
            BiConsumer<Path, Existing> writing) {
        choosers.target(title, proposed, ending).ifPresent(target -> {
            Optional<String> loss = model.deliveries().lossOf(target);
            if (loss.isEmpty()) {
                writing.accept(target, Existing.KEEP);
            } else if (choosers.replace(target, loss.get())) {
                writing.accept(target, Existing.REPLACE);
            }
        });
    }
}
