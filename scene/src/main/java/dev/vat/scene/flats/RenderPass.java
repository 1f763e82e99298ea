package dev.vat.scene.flats;

import java.util.List;

/**
 * Parts that the full picture is made of, all in linear light: base times light times shadow, with the haze over it. Base and haze are
 * premultiplied; depth is in metres, and the matte is white where the kites are.
 */
public enum RenderPass {
    BASE("base", List.of("R", "G", "B")),
    LIGHT("light", List.of("R", "G", "B")),
    SHADOW("shadow", List.of("R", "G", "B")),
    HAZE("haze", List.of("R", "G", "B", "A")),
    DEPTH("depth", List.of("Z")),
    MATTE("matte", List.of("R", "G", "B"));

    private final String id;
    private final List<String> channels;

    RenderPass(String id, List<String> channels) {
        this.id = id;
        this.channels = channels;
    }

    public String id() {
        return id;
    }

    List<String> channels() {
        return channels;
    }

    String channel(int index) {
        return id + "." + channels.get(index);
    }
}
