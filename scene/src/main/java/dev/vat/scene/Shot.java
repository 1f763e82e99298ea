package dev.vat.scene;

/** One shot of Kite Week at Marram Flats: the same picture for the same frame, always. */
public enum Shot {
    /** Kites over dunes at dusk: a smooth sky and fine grass. */
    DUNES("sh010", 96) {
        @Override
        public Drawing draw(int frame, int width, int height) {
            return Dunes.draw(frame, width, height);
        }
    },
    /** A kite close by. */
    KITE("sh020", 64) {
        @Override
        public Drawing draw(int frame, int width, int height) {
            return CloseKite.draw(frame, width, height);
        }
    },
    /** The lettering, with straight alpha and a soft glow. */
    TITLE("title", 48) {
        @Override
        public Drawing draw(int frame, int width, int height) {
            return Lettering.draw(frame, width, height);
        }
    },
    /** The low sun: linear light with its passes as layers. */
    GLOW("glow", 42) {
        @Override
        public Drawing draw(int frame, int width, int height) {
            return LowSun.draw(frame, width, height);
        }
    };

    private final String id;
    private final int frames;

    Shot(String id, int frames) {
        this.id = id;
        this.frames = frames;
    }

    public String id() {
        return id;
    }

    public int frames() {
        return frames;
    }

    /** @param frame from 0 */
    public abstract Drawing draw(int frame, int width, int height);
}
