<?php

declare(strict_types=1);

// php core/tests/Recorded/record.php: asks what stands in the files again and writes what is answered now. Read the difference.

require __DIR__.'/../../../vendor/autoload.php';

foreach (array_merge(...array_map(Ash\Tests\Recorded\RecordedTest::parts(...), Ash\Tests\Recorded\RecordedTest::FILES)) as $path) {
    $lines = array_map(static function (string $line): string {
        [$room, $verb, $asked] = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
        $flags = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

        return json_encode([$room, $verb, $asked, Ash\Tests\Recorded\RecordedTest::ask($room, $verb, $asked)], $flags);
    }, file($path, \FILE_IGNORE_NEW_LINES) ?: []);
    file_put_contents($path, implode("\n", $lines)."\n");
}
$path = __DIR__.'/entries.jsonl';
$lines = array_map(static function (string $line): string {
    [$given] = json_decode($line, false, 64, JSON_THROW_ON_ERROR);

    return json_encode([$given, Ash\Tests\Recorded\RecordedTest::take($given)], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
}, file($path, \FILE_IGNORE_NEW_LINES) ?: []);
file_put_contents($path, implode("\n", $lines)."\n");
$path = __DIR__.'/edges.jsonl';
$lines = array_map(static function (string $line): string {
    $edge = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
    $edge[4] = Ash\Tests\Recorded\RecordedTest::digest(Ash\Tests\Recorded\RecordedTest::edge($edge)[1]);

    return json_encode($edge, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
}, file($path, \FILE_IGNORE_NEW_LINES) ?: []);
file_put_contents($path, implode("\n", $lines)."\n");
