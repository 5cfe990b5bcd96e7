kill -INT $(cat /tmp/dev.pid 2>/dev/null) 2>/dev/null; pkill -INT -f scripts/start.mjs; while pgrep -f scripts/start.mjs >/dev/null; do sleep 0.5; done
cd /work/main; (setsid nohup nice -n 2 node scripts/start.mjs > /tmp/dev.log 2>&1 & echo $! > /tmp/dev.pid); for i in $(seq 200); do curl -s localhost:4300/api/v1/health >/dev/null && break; sleep 1; done; tail -3 /tmp/dev.log
