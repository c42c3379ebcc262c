# The app in a container of its own, without root: docker build -t fond-badger . && docker run -p 3000:3000 fond-badger
FROM node:20-slim AS build
WORKDIR /app
ENV NEXT_TELEMETRY_DISABLED=1
COPY package.json package-lock.json .npmrc ./
RUN npm ci
COPY . .
RUN node cli/build-app.mjs && npm prune --omit=dev

FROM node:20-slim
WORKDIR /app
ENV NODE_ENV=production NEXT_TELEMETRY_DISABLED=1 MALLOC_ARENA_MAX=2
# Nothing is written while it serves: pieces stay in the browsers of those who look at it.
COPY --from=build --chown=root:root /app /app
USER node
EXPOSE 3000
HEALTHCHECK --interval=30s --timeout=5s --start-period=20s CMD ["node", "-e", "fetch('http://127.0.0.1:3000/api/health').then(r => process.exit(r.ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "cli/serve.mjs", "--port", "3000"]
