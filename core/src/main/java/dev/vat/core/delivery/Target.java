package dev.vat.core.delivery;

/**
 * What a recipient needs, as a set of settings and checks; it holds no place.
 *
 * @param id stable name for command line and projects: {@code web-h264}
 * @param title heading in plain words: {@code H.264 for the web}
 * @param shortName for file names: {@code web}
 * @param plays where the file plays and where not
 * @param indexInFront whether a player can start before the whole file has arrived
 */
public record Target(String id, String title, String shortName, String plays, Codec codec, Container container,
                     boolean indexInFront) {

    public Target {
        if (!codec.containers().contains(container)) {
            throw new IllegalArgumentException(codec.title() + " can't stand in " + container.title());
        }
    }
}
