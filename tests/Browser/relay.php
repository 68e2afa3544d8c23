<?php

declare(strict_types=1);

/*
 * A network that can be cut: php relay.php PORT TARGET passes every connection on to 127.0.0.1:TARGET, and names that port in the headers,
 * so that the application takes the browser for one of its own. Both ports have as many digits, so no length changes.
 */

[, $port, $target] = $argv;
$server = stream_socket_server("tcp://127.0.0.1:{$port}") ?: exit(1);
$sockets = $others = $clients = [];
do {
    $read = [$server, ...array_values($sockets)];
    $write = $except = null;
    stream_select($read, $write, $except, 5);
    foreach ($read as $socket) {
        if ($socket === $server) {
            $one = stream_socket_accept($server, 0);
            $other = $one === false ? false : stream_socket_client("tcp://127.0.0.1:{$target}");
            if ($one !== false && $other !== false) {
                $sockets[(int) $one] = $one;
                $sockets[(int) $other] = $other;
                $others[(int) $one] = $other;
                $others[(int) $other] = $one;
                $clients[(int) $one] = true;
            }
            continue;
        }
        $other = $others[(int) $socket] ?? null;
        if ($other === null) {
            continue;
        }
        $text = fread($socket, 65536);
        if ($text === false || $text === '') {
            foreach ([$socket, $other] as $ended) {
                unset($sockets[(int) $ended], $others[(int) $ended], $clients[(int) $ended]);
                fclose($ended);
            }
            continue;
        }
        fwrite($other, isset($clients[(int) $socket]) ? str_replace("127.0.0.1:{$port}", "127.0.0.1:{$target}", $text) : $text);
    }
} while (is_resource($server));
