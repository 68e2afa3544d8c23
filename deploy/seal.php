<?php

declare(strict_types=1);

/*
 * php deploy/seal.php seal|open IN OUT: encrypts or decrypts a backup with the pass phrase in ASH_PASS_PHRASE.
 *
 * The key is Argon2id of the pass phrase (libsodium, moderate limits); the file is libsodium's secretstream (XChaCha20-Poly1305), so that a
 * changed byte, a cut end or a wrong pass phrase is noticed and nothing is taken from it. Reads and writes a mebibyte at a time.
 */
const MAGIC = "ASHBACKUP1\n";
const PART = 1 << 20;

$fail = static function (string $why): never {
    fwrite(STDERR, "ash-bench: {$why}\n");
    exit(1);
};
[, $what, $from, $to] = [...$argv, '', '', ''];
$phrase = (string) getenv('ASH_PASS_PHRASE');
$phrase !== '' || $fail('the pass phrase is empty');
$in = @fopen($from, 'r') ?: $fail("{$from} cannot be read");
$out = @fopen($to, 'w') ?: $fail("{$to} cannot be written");
$key = static fn (string $salt): string => sodium_crypto_pwhash(
    SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES,
    $phrase,
    $salt,
    SODIUM_CRYPTO_PWHASH_OPSLIMIT_MODERATE,
    SODIUM_CRYPTO_PWHASH_MEMLIMIT_MODERATE,
);
$exactly = static function (int $bytes) use ($in): string {
    for ($read = ''; strlen($read) < $bytes && !feof($in); $read .= fread($in, max(1, $bytes - strlen($read)))) {
    }

    return $read;
};

if ($what === 'seal') {
    $salt = random_bytes(SODIUM_CRYPTO_PWHASH_SALTBYTES);
    [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push($key($salt));
    fwrite($out, MAGIC.$salt.$header);
    do {
        $part = $exactly(PART);
        $last = strlen($part) < PART;
        $tag = $last ? SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL : SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_MESSAGE;
        fwrite($out, sodium_crypto_secretstream_xchacha20poly1305_push($state, $part, '', $tag)) !== false || $fail("{$to} cannot be written");
    } while (!$last);
    exit(0);
}
$exactly(strlen(MAGIC)) === MAGIC || $fail("{$from} is no encrypted backup");
$salt = $exactly(SODIUM_CRYPTO_PWHASH_SALTBYTES);
$header = $exactly(SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES);
strlen($header) === SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES || $fail("{$from} is cut off");
$state = sodium_crypto_secretstream_xchacha20poly1305_init_pull($header, $key($salt));
do {
    $opened = sodium_crypto_secretstream_xchacha20poly1305_pull($state, $exactly(PART + SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES));
    $opened !== false || $fail('the pass phrase does not fit, or the file is damaged or cut off');
    fwrite($out, $opened[0]);
} while ($opened[1] !== SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL);
