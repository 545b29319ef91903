# One container with all of it: PostgreSQL on loopback, nginx, web server and worker; what is kept is in the volume.
#
#     buildah build -t bullseye .
#     podman run -p 8765:8765 -v bullseye:/var/lib/bullseye bullseye
#
# What stands before it (HTTPS, names) is told by the settings of docs/deploy.md: BULLSEYE_HOSTS, BULLSEYE_PROXIES.
FROM debian:12-slim
RUN apt-get update && apt-get install -y --no-install-recommends git python3 ca-certificates
COPY . /srv/bullseye
WORKDIR /srv/bullseye
RUN ./bullseye setup && rm -rf /var/lib/apt/lists/*
RUN useradd --system --create-home --home-dir /var/lib/bullseye bullseye && chown -R bullseye: /srv/bullseye /var/lib/bullseye
USER bullseye
ENV HOME=/var/lib/bullseye BULLSEYE_DATA=/var/lib/bullseye/data
VOLUME /var/lib/bullseye
EXPOSE 8765
STOPSIGNAL SIGINT
# on the address that the container was given: not on all that it may be given later
CMD ["sh", "-c", "exec ./bullseye up --empty --host $(hostname -i | cut -d' ' -f1)"]
