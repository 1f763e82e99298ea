package dev.vat.engine.storage;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.time.Rate;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What Vat remembers from one start to the next.
 *
 * @param lastRate the rate used last, offered first
 * @param recent project files, the newest first
 * @param folders where files went, the newest first
 * @param scheme light, dark, or as the system has it
 * @param textPercent how large text and controls are, in percent, from the next start on; null for 100
 * @param cores how many of the machine's cores runs may use; null for all
 * @param folderRule where files go as long as a project names no folder, as {@link FolderRule} reads it; null for the usual
 * @param pictureMegabytes memory for pictures that were played, in MB (10^6 bytes); null for 1000
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record UserSettings(Rate lastRate, List<String> recent, Scheme scheme, Integer textPercent, Integer pictureMegabytes,
        List<String> folders, Integer cores, String folderRule, @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    /** Whose colours. */
    public enum Scheme {
        LIGHT, DARK, SYSTEM
    }

    private static final int MOST_RECENT = 8;

    public static final UserSettings FIRST = new UserSettings(Rate.FPS_25, List.of(), Scheme.LIGHT, null, null, List.of(), null, null,
            Map.of());

    public UserSettings {
        scheme = scheme == null ? Scheme.LIGHT : scheme;
        lastRate = lastRate == null ? Rate.FPS_25 : lastRate;
        recent = recent == null ? List.of() : List.copyOf(recent);
        folders = folders == null ? List.of() : List.copyOf(folders);
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    /** The settings in the file, or the first ones if there is none or it can't be understood. */
    public static UserSettings load(Path file) throws IOException {
        try {
            return Json.MAPPER.readValue(Files.readString(file), UserSettings.class);
        } catch (NoSuchFileException _) {
            return FIRST;
        } catch (JsonProcessingException _) {
            // Settings are conveniences: a damaged file is set aside, and Vat starts as if for the first time.
            Files.move(file, file.resolveSibling("settings.damaged.json"),
                    StandardCopyOption.REPLACE_EXISTING);
            return FIRST;
        }
    }

    public void save(Path file) throws IOException {
        Durable.write(file, Json.page(this));
    }

    /** Memory for pictures that were played, in bytes, at least room for a few large ones. */
    public long pictureBytes() {
        return (pictureMegabytes == null ? 1000L : Math.max(100, pictureMegabytes)) * 1_000_000;
    }

    public UserSettings withLastRate(Rate rate) {
        return new UserSettings(rate, recent, scheme, textPercent, pictureMegabytes, folders, cores, folderRule, extra);
    }

    public UserSettings withScheme(Scheme chosen) {
        return new UserSettings(lastRate, recent, chosen, textPercent, pictureMegabytes, folders, cores, folderRule, extra);
    }

    /** @param percent from 80 to 200 */
    public UserSettings withTextPercent(int percent) {
        return new UserSettings(lastRate, recent, scheme, percent, pictureMegabytes, folders, cores, folderRule, extra);
    }

    /** @param megabytes at least 100 */
    public UserSettings withPictureMegabytes(int megabytes) {
        return new UserSettings(lastRate, recent, scheme, textPercent, megabytes, folders, cores, folderRule, extra);
    }

    public UserSettings withRecent(Path project) {
        return new UserSettings(lastRate, newest(recent, project), scheme, textPercent, pictureMegabytes, folders, cores, folderRule,
                extra);
    }

    /** @param most null for all */
    public UserSettings withCores(Integer most) {
        return new UserSettings(lastRate, recent, scheme, textPercent, pictureMegabytes, folders, most, folderRule, extra);
    }

    /** Where files go as long as a project names no folder. */
    public FolderRule folder() {
        try {
            return FolderRule.parse(folderRule);
        } catch (IllegalArgumentException _) {
            // The file is text that people edit: what can't be used stays there, and the usual rule holds.
            return FolderRule.USUAL;
        }
    }

    public UserSettings withFolderRule(FolderRule rule) {
        return new UserSettings(lastRate, recent, scheme, textPercent, pictureMegabytes, folders, cores,
                rule.equals(FolderRule.USUAL) ? null : rule.text(), extra);
    }

    /** With a folder that files go to. */
    public UserSettings withFolder(Path folder) {
        return new UserSettings(lastRate, recent, scheme, textPercent, pictureMegabytes, newest(folders, folder), cores, folderRule, extra);
    }

    private static List<String> newest(List<String> known, Path place) {
        List<String> list = new ArrayList<>(known);
        list.remove(place.toString());
        list.addFirst(place.toString());
        return list.subList(0, Math.min(list.size(), MOST_RECENT));
    }
}
