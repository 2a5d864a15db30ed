/** The bundler keeps where a module lies in a registry that it makes for pages, not for workers. */
const scope = globalThis as { __ExpoImportMetaRegistry?: { url: string } }
scope.__ExpoImportMetaRegistry ??= { url: location.href }
