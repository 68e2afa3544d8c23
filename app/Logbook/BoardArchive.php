<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Ulid;

/**
 * A board's record with everything that hangs on it, as a ZIP file: record.json, photos/, memory/, the checksums of all of them as sha256sum
 * writes and checks them, and a signature over these, by which what comes back is known.
 */
final readonly class BoardArchive
{
    /** Bytes: as it is sent, and unpacked. */
    public const MOST = 100_000_000;
    private const MOST_UNPACKED = 400_000_000;
    private const MOST_FILES = 5_000;
    private const RECORD = 'record.json';
    private const SUMS = 'SHA256SUMS';
    private const SIGNATURE = 'SHA256SUMS.signature';

    /** @return string a temporary file */
    public static function write(Board $board): string
    {
        $to = (string) tempnam(sys_get_temp_dir(), 'board');
        $zip = new \ZipArchive();
        $zip->open($to, \ZipArchive::OVERWRITE) === true || throw new \RuntimeException("cannot write {$to}");
        $record = BoardRecord::write($board, archived: true);
        $zip->addFile($record, self::RECORD);
        $sums = [self::RECORD => (string) hash_file('sha256', $record)];
        foreach (BoardRecord::exchanges() as $exchange) {
            foreach ($exchange->files($board) as $name => $path) {
                // One that is gone is missed by the record's own page too; the rest is worth having.
                if (is_file($path)) {
                    $zip->addFile($path, $name);
                    str_ends_with($name, '.jpg') && $zip->setCompressionName($name, \ZipArchive::CM_STORE);
                    $sums[$name] = (string) hash_file('sha256', $path);
                }
            }
        }
        $list = implode('', array_map(static fn (string $sum, string $name): string => "{$sum}  {$name}\n", $sums, array_keys($sums)));
        $zip->addFromString(self::SUMS, $list);
        $zip->addFromString(self::SIGNATURE, BoardRecord::sign($list)."\n");
        $written = $zip->close();
        unlink($record);
        $written || throw new \RuntimeException("cannot write {$to}");

        return $to;
    }

    /**
     * @return array{Board, int} the board, and how many entries were new
     *
     * @throws InvalidDocument
     */
    public static function import(string $path, Person $who): array
    {
        $folder = sys_get_temp_dir().'/board-'.bin2hex(random_bytes(8));
        try {
            [$record, $own] = self::unpack($path, $folder);

            return ImportRecord::from($record, $who, new BroughtFiles($folder, $own));
        } finally {
            self::clear($folder);
        }
    }

    /** @return array{string, bool} the record, and whether this installation wrote the archive */
    private static function unpack(string $path, string $folder): array
    {
        $zip = new \ZipArchive();
        $zip->open($path, \ZipArchive::RDONLY) === true || throw InvalidDocument::at('/file', 'is no ZIP archive, or is damaged');
        $sizes = [];
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $stat = $zip->statIndex($i) ?: throw InvalidDocument::at('/file', 'is damaged');
            $name = $stat['name'];
            isset($sizes[$name]) && throw InvalidDocument::at("/{$name}", 'is there twice');
            self::belongs($name) || throw InvalidDocument::at("/{$name}", 'does not belong into the archive of a board');
            $sizes[$name] = $stat['size'];
        }
        count($sizes) <= self::MOST_FILES || throw InvalidDocument::at('/file', 'holds more than '.self::MOST_FILES.' files');
        array_sum($sizes) <= self::MOST_UNPACKED || throw InvalidDocument::at('/file', 'is larger than '.(self::MOST_UNPACKED / 1_000_000).' MB unpacked');
        foreach ([self::RECORD, self::SUMS] as $name) {
            isset($sizes[$name]) || throw InvalidDocument::at("/{$name}", 'is missing');
        }
        $list = (string) $zip->getFromName(self::SUMS, 1_000_000);
        $sums = self::sums($list);
        foreach (array_diff_key($sizes, $sums, [self::SUMS => 0, self::SIGNATURE => 0]) as $name => $_) {
            throw InvalidDocument::at("/{$name}", 'has no checksum');
        }
        foreach ($sums as $name => $sum) {
            isset($sizes[$name]) || throw InvalidDocument::at("/{$name}", 'is missing');
            self::copy($zip, $name, $sizes[$name], "{$folder}/{$name}");
            hash_file('sha256', "{$folder}/{$name}") === $sum || throw InvalidDocument::at("/{$name}", 'is damaged: its checksum differs');
        }

        return [(string) file_get_contents("{$folder}/".self::RECORD), BoardRecord::signed($list, trim((string) $zip->getFromName(self::SIGNATURE, 200)))];
    }

    /** Nothing else is written down: a name leads nowhere but into the folder. */
    private static function belongs(string $name): bool
    {
        return in_array($name, [self::RECORD, self::SUMS, self::SIGNATURE], true)
            || (preg_match('~^(?:photos/(\w{26})\.jpg|memory/(\w{26})\.txt)$~D', $name, $m) === 1 && Ulid::isOne(end($m)));
    }

    /** @return array<string, string> checksum by name */
    private static function sums(string $list): array
    {
        $sums = [];
        foreach (explode("\n", rtrim($list, "\n")) as $i => $line) {
            preg_match('/^([0-9a-f]{64}) [ *](\S+)$/D', $line, $m) === 1 && self::belongs($m[2]) && !isset($sums[$m[2]])
                || throw InvalidDocument::at('/'.self::SUMS, 'is not a list of checksums in line '.($i + 1));
            $sums[$m[2]] = $m[1];
        }

        return $sums;
    }

    private static function copy(\ZipArchive $zip, string $name, int $size, string $to): void
    {
        is_dir(dirname($to)) || mkdir(dirname($to), 0o700, true);
        $from = $zip->getStream($name) ?: throw InvalidDocument::at("/{$name}", 'cannot be unpacked');
        $out = fopen($to, 'w') ?: throw new \RuntimeException("cannot write {$to}");
        // No more than it said it would be.
        $copied = stream_copy_to_stream($from, $out, $size + 1);
        fclose($from);
        fclose($out);
        $copied === $size || throw InvalidDocument::at("/{$name}", 'is damaged: it is not as long as it says');
    }

    private static function clear(string $folder): void
    {
        foreach (['photos', 'memory', '.'] as $in) {
            array_map(unlink(...), array_filter(glob("{$folder}/{$in}/*") ?: [], is_file(...)));
            $in === '.' || !is_dir("{$folder}/{$in}") || rmdir("{$folder}/{$in}");
        }
        !is_dir($folder) || rmdir($folder);
    }
}
