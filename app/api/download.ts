/** A file for the visitor to keep. */
export const download = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      "content-type": type.startsWith("text/") || type.endsWith("json") ? `${type}; charset=utf-8` : type,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });
