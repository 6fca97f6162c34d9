# bin/start --shop-network: the application stays on loopback, and a web server in front of it is reachable in the shop
# over HTTPS, with certificates of an authority of the shop's own, which that server makes by itself. Sourced.
#   ISTRUZIONE_SHOP_ADDRESS   the address tablets reach this machine by (its first address in the network)
#   ISTRUZIONE_SHOP_PORT      8443; ISTRUZIONE_TRUST_PORT 8080: plain, for what is needed to trust the first
front_process=""

# The first address of this machine that others can reach.
network_address() {
  node -e '
    const all = Object.values(require("os").networkInterfaces()).flat().filter((at) => at.family === "IPv4" && !at.internal)
    process.stdout.write(all[0]?.address ?? "")'
}

need_front() {
  command -v caddy >/dev/null 2>&1 && return 0
  need_debian caddy caddy
  # The package starts a server of its own with the machine; only ours is wanted.
  if command -v systemctl >/dev/null 2>&1; then
    if [ "$(id -u)" = 0 ]; then systemctl disable --now caddy >/dev/null 2>&1; else sudo -n systemctl disable --now caddy >/dev/null 2>&1; fi
  fi
  return 0
}

# shop_network APP_PORT: says by which addresses the shop will reach it, before the application starts.
shop_network() {
  need_front
  shop_address=${ISTRUZIONE_SHOP_ADDRESS:-$(network_address)}
  [ -n "$shop_address" ] || die 'This machine has no address in a network. Connect it, or say which: ISTRUZIONE_SHOP_ADDRESS=192.168.1.20 bin/start --shop-network'
  shop_port=${ISTRUZIONE_SHOP_PORT:-8443}; trust_port=${ISTRUZIONE_TRUST_PORT:-8080}
  local taken
  for taken in "$shop_port" "$trust_port"; do
    port_is_free "$taken" || die "Port $taken is taken. Stop what uses it, or choose others: ISTRUZIONE_SHOP_PORT=9443 ISTRUZIONE_TRUST_PORT=9080 bin/start --shop-network"
  done
  export ISTRUZIONE_ORIGIN="https://$shop_address:$shop_port" ISTRUZIONE_TRUST_ORIGIN="http://$shop_address:$trust_port"
  export ISTRUZIONE_ROOT_CERTIFICATE="$data/front/pki/authorities/local/root.crt" ISTRUZIONE_LOOPBACK=0
  # The web server in front says for whom it asks; nobody else is believed.
  export ISTRUZIONE_PROXIES=127.0.0.1
  mkdir -p "$data/front"; chmod 700 "$data/front"
  write_front_settings "$1" > "$data/front/settings"
}

# Only what leads to trust is answered over plain http; everything else is sent to the encrypted address.
write_front_settings() {
  cat <<CADDY
{
	admin off
	skip_install_trust
	auto_https disable_redirects
	default_sni $shop_address
	storage file_system "$data/front"
	grace_period 3s
	pki {
		ca local {
			name "Istruzione, this shop's own"
			root_cn "Istruzione, this shop's own authority"
			intermediate_cn "Istruzione, this shop's own"
		}
	}
}
https://$shop_address:$shop_port {
	tls internal
	reverse_proxy 127.0.0.1:$1
}
http://$shop_address:$trust_port {
	@trust path /trust /trust/* /_next/* /icon.svg
	handle @trust {
		reverse_proxy 127.0.0.1:$1
	}
	handle {
		redir $ISTRUZIONE_ORIGIN{uri}
	}
}
CADDY
}

# Keys and certificates are readable by this user alone.
launch_front() {
  ( umask 077; HOME="$data/front" exec caddy run --config "$data/front/settings" --adapter caddyfile ) >>"$data/front.log" 2>&1 &
  front_process=$!
  local i; for i in $(seq 1 100); do
    [ -s "$ISTRUZIONE_ROOT_CERTIFICATE" ] && kill -0 "$front_process" 2>/dev/null && return 0
    kill -0 "$front_process" 2>/dev/null || break
    sleep 0.1
  done
  front_process=""
  die "The web server for the shop's network did not start; the last lines of $data/front.log say why."
}

# keep_front: starts it again when it died.
keep_front() {
  ( trap - EXIT INT TERM HUP
    while pause_of 1 && kill -0 $$ 2>/dev/null; do
      kill -0 "$front_process" 2>/dev/null && continue
      launch_front
      pause_of 2
    done ) &
  front_keeper=$!
}

stop_front() {
  [ -n "${front_keeper:-}" ] && { kill "$front_keeper" 2>/dev/null; wait "$front_keeper" 2>/dev/null; front_keeper=""; }
  [ -n "$front_process" ] && kill -TERM "$front_process" 2>/dev/null
  # One that the keeper started has another number.
  pkill -TERM -f "caddy run --config $data/front/settings" 2>/dev/null
  front_process=""
  return 0
}

# What a person with a tablet in their hand does next.
say_front() {
  say; say "In the shop's network: $ISTRUZIONE_ORIGIN"
  say "A device that opens it for the first time scans this ($ISTRUZIONE_TRUST_ORIGIN/trust) and follows three sentences:"
  node -e 'require("qrcode").toString(process.argv[1], { type: "utf8" }).then((text) => console.log(text))' "$ISTRUZIONE_TRUST_ORIGIN/trust"
  say "Fingerprint to compare: $(node -e 'process.stdout.write(new (require("crypto").X509Certificate)(require("fs").readFileSync(process.argv[1])).fingerprint256)' "$ISTRUZIONE_ROOT_CERTIFICATE")"
}
