#!/usr/bin/env bash
# A picture in, what stands on its card out. Needs: DOSSIER (http://127.0.0.1:4300), EMAIL and PASSWORD of a manager, PICTURE (a file).
set -euo pipefail
api="$DOSSIER/api/v1"; jar=$(mktemp); trap 'rm -f "$jar"' EXIT
json=(-H 'Content-Type: application/json')
curl -sSf -c "$jar" "${json[@]}" "$api/session" -d "{\"email\": \"$EMAIL\", \"password\": \"$PASSWORD\"}" > /dev/null
made=$(curl -sSf -b "$jar" "${json[@]}" "$api/tokens" -d '{"name": "curl", "scopes": ["pictures:send", "people:read"]}')
token=$(echo "$made" | grep -o '"token":"[^"]*"' | cut -d'"' -f4); id=$(echo "$made" | grep -o '"id":"[^"]*"' | cut -d'"' -f4)
curl -sSf -H "Authorization: Bearer $token" -H "Idempotency-Key: $(sha256sum "$PICTURE" | cut -c1-64)" --data-binary "@$PICTURE" -H 'Content-Type: image/jpeg' "$api/readings?wait=60"
curl -sSf -H "Authorization: Bearer $token" "$api/events?type=card.read&limit=500" > /dev/null
curl -sSf -b "$jar" -X DELETE "$api/tokens/$id"
