# The release for the platform of the builder, run by a user without rights. docs/install.md describes its use.
FROM node:22-bookworm-slim AS build
WORKDIR /source
COPY . .
RUN node scripts/release/main.mjs --here && mv dist/usual-drag-*/ /program

FROM node:22-bookworm-slim
COPY --from=build /program /opt/usual-drag
RUN install --directory --owner=node --group=node --mode=700 /data
USER node
VOLUME /data
EXPOSE 8470
HEALTHCHECK --interval=30s --timeout=5s --start-period=10s \
  CMD ["node", "-e", "fetch('http://127.0.0.1:8470/api/health').then(({ ok }) => process.exit(ok ? 0 : 1), () => process.exit(1))"]
ENTRYPOINT ["node", "/opt/usual-drag/usual-drag.mjs"]
CMD ["start", "--no-browser", "--data", "/data", "--host", "0.0.0.0", "--passphrase-file", "/run/secrets/passphrase"]
