package dev.vat.app;

/** Pages that play a file in a browser and tell what was seen of it. */
final class BrowserPages {

    private BrowserPages() {}

    static String stillPage(String type) {
        return """
                <!doctype html><canvas id=c></canvas><script>
                const c = document.getElementById('c');
                const tell = what => fetch('/told', {method: 'POST', body: JSON.stringify(what)});
                (async () => {
                  const decoder = new ImageDecoder({data: await (await fetch('/video')).arrayBuffer(), type: 'TYPE'});
                  await decoder.completed;
                  await decoder.tracks.ready;
                  const track = decoder.tracks.selectedTrack, g = c.getContext('2d', {willReadFrequently: true}), shots = [];
                  let duration = 0;
                  for (let frame = 0; frame < track.frameCount; frame++) {
                    const {image} = await decoder.decode({frameIndex: frame});
                    duration += image.duration;
                    if ([0, 1, 31, 59].includes(frame)) {
                      c.width = image.displayWidth; c.height = image.displayHeight;
                      g.clearRect(0, 0, c.width, c.height);
                      g.drawImage(image, 0, 0);
                      const at = (x, y) => Array.from(g.getImageData(x, y, 1, 1).data);
                      shots.push({frame, patches: [0, 1, 2, 3].map(p => at(c.width * (p + .5) / 4, c.height / 4)), grey: at(c.width / 2, \
                      c.height * 3 / 4)});
                    }
                    image.close();
                  }
                  await tell({frames: track.frameCount, loops: String(track.repetitionCount), duration: duration / 1e6, shots});
                })().catch(e => tell({error: String(e)}));
                </script>"""
                .replace("TYPE", type);
    }

    /** Tells the first and the last sample that is anything but quiet, at 48 kHz. */
    static String soundPage() {
        return """
                <!doctype html><script>
                const tell = what => fetch('/told', {method: 'POST', body: JSON.stringify(what)});
                (async () => {
                  const sound = await new OfflineAudioContext(1, 48000, 48000).decodeAudioData(await (await fetch('/video')).arrayBuffer());
                  const samples = sound.getChannelData(0), loud = v => Math.abs(v) > .1;
                  await tell({first: samples.findIndex(loud), last: samples.findLastIndex(loud)});
                })().catch(e => tell({error: String(e)}));
                </script>""";
    }

    static String page() {
        return """
                <!doctype html><video id=v muted></video><canvas id=c></canvas><script>
                const v = document.getElementById('v'), c = document.getElementById('c');
                const once = (target, name) => new Promise((yes, no) => {
                  target.addEventListener(name, yes, {once: true});
                  target.addEventListener('error', () => no(new Error('the video fails: ' + v.error?.message)), {once: true});
                });
                // A busy browser says that it is there before the picture is; a picture that was there already isn't told of again.
                const shown = time => Promise.race([new Promise(yes => {
                  const look = (_, picture) => Math.abs(picture.mediaTime - time) < 0.02 ? yes() : v.requestVideoFrameCallback(look);
                  v.requestVideoFrameCallback(look);
                }), new Promise(yes => setTimeout(yes, 3000))]);
                const tell = what => fetch('/told', {method: 'POST', body: JSON.stringify(what)});
                (async () => {
                  // Whole in memory, so that seeking needs no server that gives parts.
                  const loaded = once(v, 'loadeddata');
                  v.src = URL.createObjectURL(await (await fetch('/video')).blob());
                  await loaded;
                  c.width = v.videoWidth; c.height = v.videoHeight;
                  const g = c.getContext('2d', {willReadFrequently: true});
                  const shots = [];
                  for (const frame of [0, 1, 31, 59]) {
                    const there = once(v, 'seeked'), seen = shown(frame / 25);
                    v.currentTime = (frame + 0.5) / 25;
                    await there;
                    await seen;
                    g.clearRect(0, 0, c.width, c.height);
                    g.drawImage(v, 0, 0);
                    const at = (x, y) => Array.from(g.getImageData(x, y, 1, 1).data);
                    shots.push({frame, patches: [0, 1, 2, 3].map(p => at(c.width * (p + .5) / 4, c.height / 4)), grey: at(c.width / 2, \
                    c.height * 3 / 4)});
                  }
                  v.currentTime = 0;
                  const ended = once(v, 'ended');
                  await v.play();
                  await ended;
                  await tell({ended: v.ended, duration: v.duration, width: v.videoWidth, shots});
                })().catch(e => tell({error: String(e)}));
                </script>""";
    }
}
