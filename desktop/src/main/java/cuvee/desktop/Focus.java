package cuvee.desktop;

import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;

/** Where the keys go after a part of the window was built anew. */
final class Focus {
    private Focus() {}

    /**
     * Builds a part anew. What had the focus in it has it again, known by its id; where that is gone, a neighbour takes it,
     * so that the next key never lands elsewhere in the window.
     */
    static void kept(Parent part, Node otherwise, Runnable build) {
        Node owner = part.getScene() == null ? null : part.getScene().getFocusOwner();
        boolean within = false;
        for (Node node = owner; node != null && !within; node = node.getParent()) {
            within = node == part;
        }
        String id = owner == null || owner.getId() == null ? "" : owner.getId();
        build.run();
        if (within) {
            Platform.runLater(() -> {
                Node again = id.isEmpty() ? null : part.lookup("#" + id);
                (again == null ? otherwise : again).requestFocus();
            });
        }
    }
}
