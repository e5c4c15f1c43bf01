// Messages as PHP and Node.js send them to each other: the length of the JSON in four bytes, the JSON, and the same for
// bytes that are no JSON.

export function frame(json, bytes = Buffer.alloc(0)) {
  const head = Buffer.from(JSON.stringify(json));
  const lengths = [Buffer.alloc(4), Buffer.alloc(4)];
  lengths[0].writeUInt32BE(head.length);
  lengths[1].writeUInt32BE(bytes.length);
  return Buffer.concat([lengths[0], head, lengths[1], bytes]);
}

/** Calls back with the JSON of each whole message of a stream. */
export function onMessages(stream, most, take) {
  let parts = [];
  let held = 0;
  stream.on("data", (chunk) => {
    parts.push(chunk);
    held += chunk.length;
    for (;;) {
      if (held < 4) return;
      if (parts.length > 1 && parts[0].length < 4) parts = [Buffer.concat(parts)];
      const length = parts[0].readUInt32BE(0);
      if (length > most) return void stream.destroy();
      if (held < 4 + length) return;
      const all = Buffer.concat(parts);
      parts = [all.subarray(4 + length)];
      held = parts[0].length;
      take(JSON.parse(all.toString("utf8", 4, 4 + length)));
    }
  });
}
