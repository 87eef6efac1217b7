# One container for one shop: the application and its own database, as the start command runs them.
FROM debian:trixie-slim
RUN apt-get update \
 && apt-get install -y --no-install-recommends ca-certificates nodejs npm postgresql util-linux \
 && rm -rf /var/lib/apt/lists/* \
 && useradd --system --create-home --home-dir /srv/hush-pail hush-pail
USER hush-pail
WORKDIR /srv/hush-pail/app
COPY --chown=hush-pail:hush-pail . .
RUN npm ci --include=dev --no-audit --no-fund
VOLUME /srv/hush-pail/app/.hush-pail
ENV HUSH_PAIL_PORT=3210 HUSH_PAIL_DEMO=none HUSH_PAIL_MOST_SHOPS=1
EXPOSE 3210
STOPSIGNAL SIGINT
CMD ["npm", "start"]
