<?php

declare(strict_types=1);

namespace Tests\Bench;

use Symfony\Component\Uid\Ulid;

/** Fills the database by its own means (MariaDB's sequence tables), so that two million entries take a minute and not a day. */
final class Bulk
{
    private \PDO $database;

    public function __construct(private readonly string $var)
    {
        /** @var array<string, string> $env */
        $env = parse_ini_file("{$this->var}/.env", false, \INI_SCANNER_RAW) ?: [];
        $this->database = new \PDO("mysql:host=127.0.0.1;port={$env['DB_PORT']};dbname={$env['DB_DATABASE']}", $env['DB_USERNAME'], $env['DB_PASSWORD']);
    }

    private function one(string $sql): string
    {
        $statement = $this->database->query($sql);

        $rows = $statement === false ? [] : $statement->fetchAll(\PDO::FETCH_COLUMN);

        return (string) ($rows[0] ?? '');
    }

    public function demoJob(): string
    {
        return $this->job('Memory test stops after a cold night');
    }

    public function boardOf(string $job): string
    {
        return $this->one('SELECT board_id FROM jobs WHERE id = '.$this->database->quote($job));
    }

    public function kindOf(string $job): string
    {
        return $this->one('SELECT kind_id FROM machines JOIN jobs ON machine_id = machines.id WHERE jobs.id = '.$this->database->quote($job));
    }

    public function job(string $title): string
    {
        return $this->one('SELECT id FROM jobs WHERE title = '.$this->database->quote($title));
    }

    /** A copy of the demo's open job with that many entries. */
    public function jobWithEntries(int $entries): string
    {
        $id = Ulid::generate();
        $columns = 'machine_id, board_id, title, owner, state, stage, outcome, handed_back, minutes, allowance_minutes, opened_at, '
            .'closed_at, last_entry_at, sheet';
        $this->database->exec("INSERT INTO jobs (id, {$columns}) SELECT '{$id}', {$columns} FROM jobs WHERE id = '{$this->demoJob()}'");
        $this->entries("SELECT '{$id}' AS job, (SELECT board_id FROM jobs WHERE id = '{$id}') AS board, seq FROM seq_1_to_{$entries}", substr($id, 16));

        return $id;
    }

    /** So many photos on the board of the demo's open job, with real files of an ordinary size. */
    public function photos(int $count): string
    {
        $folder = "{$this->var}/storage/app/photos";
        is_dir($folder) || mkdir($folder, 0o750, true);
        $image = imagecreatetruecolor(320, 240) ?: throw new \RuntimeException('no picture');
        for ($i = 0; $i < 3000; ++$i) {
            imagefilledellipse($image, random_int(0, 320), random_int(0, 240), random_int(2, 40), random_int(2, 40), random_int(0, 0xFFFFFF));
        }
        imagejpeg($image, "{$folder}/bench.jpg", 78);
        for ($i = 0; $i < $count; ++$i) {
            $id = Ulid::generate();
            $entry = Ulid::generate();
            link("{$folder}/bench.jpg", "{$folder}/{$id}.thumb.jpg");
            $this->database->exec(
                "INSERT INTO photos (id, job_id, board_id, author, width, height, bytes, sha256, taken_in_at) SELECT '{$id}', id, board_id, "
                    ."'x', 2000, 1500, 1, REPEAT('0', 64), NOW() FROM jobs WHERE id = '{$this->demoJob()}'",
            );
            $this->database->exec(
                'INSERT INTO entries (id, job_id, board_id, kind, stage, at, author, minutes, text, data, fingerprint, received_at) SELECT '
                    ."'{$entry}', id, board_id, 'photo', 'find', NOW(), 'x', 0, 'Photo {$i}', '{\"photo\":\"{$id}\"}', REPEAT('0', 64), "
                        ."NOW() FROM jobs WHERE id = '{$this->demoJob()}'",
            );
        }

        return $this->one("SELECT board_id FROM jobs WHERE id = '{$this->demoJob()}'");
    }

    /** So many machines of so many kinds, two boards each, with three revisions of every kind. */
    public function machines(int $machines, int $kinds): void
    {
        $profile = "CONCAT('{\"format\":\"ash-bench/machine-profile/1\",\"slug\":\"bulk-', seq, '\",\"name\":\"Bulk ', seq,"
            ."'\",\"kind\":\"desk computer\",\"boards\":[{\"key\":\"main\",\"name\":\"Main board\"},{\"key\":\"card\",\"name\":\"Card\"}],"
            ."\"rails\":[{\"name\":\"+5\",\"nominal_v\":5,\"test_points\":[{\"name\":\"J1\",\"point\":\"supply\"}]}]}')";
        $this->database->exec("INSERT INTO kinds (id, slug, name, words, profile, revision, created_at, updated_at)
            SELECT CONCAT('00k', LPAD(seq, 23, '0')), CONCAT('bulk-', seq), CONCAT('Bulk ', seq), 'desk computer', {$profile}, 3, NOW(),
              NOW() FROM seq_1_to_{$kinds}");
        $this->database->exec("INSERT INTO kind_profiles (kind_id, revision, profile, author, created_at)
            SELECT k.id, s.seq, k.profile, 'x', NOW() FROM kinds k JOIN seq_1_to_3 s WHERE k.id LIKE '00k%'");
        $this->database->exec("INSERT INTO machines (id, slug, name, kind_id, serial, owner, created_at, updated_at)
            SELECT CONCAT('00m', LPAD(seq, 23, '0')), CONCAT('bulk-machine-', seq), CONCAT('Bulk ', 1 + seq % {$kinds}),
                CONCAT('00k', LPAD(1 + seq % {$kinds}, 23, '0')), CONCAT('S', seq, 'x'), CONCAT('Owner ', seq % 300), NOW(), NOW() FROM seq_1_to_{$machines}");
        $this->database->exec("INSERT INTO boards (id, machine_id, slot, name, serial, created_at, updated_at)
            SELECT CONCAT('00', LEFT(b.slot, 1), LPAD(s.seq, 23, '0')), CONCAT('00m', LPAD(s.seq, 23, '0')), b.slot, b.name, CONCAT('B', s.seq,
              LEFT(b.slot, 1)), NOW(), NOW()
            FROM seq_1_to_{$machines} s JOIN (SELECT 'main' AS slot, 'Main board' AS name UNION SELECT 'card', 'Card') b");
        $this->one('ANALYZE TABLE kinds, machines, boards');
    }

    public function fill(int $jobs, int $entries): void
    {
        $each = intdiv($entries, $jobs);
        $this->database->exec(
            "INSERT INTO jobs (id, machine_id, board_id, title, owner, state, stage, outcome, handed_back,
                    minutes, allowance_minutes, opened_at, closed_at, last_entry_at, sheet)
                SELECT CONCAT('00B', LPAD(seq, 23, '0')), b.machine_id, b.id, CONCAT('Job of old ', seq), 'x',
                        IF(seq % 400 = 0, 'open', 'closed'), 'close', IF(seq % 400 = 0, NULL, 'fixed'), 1, 100, 480,
                       DATE_ADD('2005-01-01', INTERVAL seq HOUR), DATE_ADD('2005-01-02', INTERVAL seq HOUR), DATE_ADD('2005-01-02', INTERVAL seq HOUR),
                        (SELECT sheet FROM jobs WHERE id = '{$this->demoJob()}')
                FROM seq_1_to_{$jobs} JOIN (SELECT id, machine_id, ROW_NUMBER() OVER () AS n FROM boards) b ON b.n = seq % (SELECT COUNT(*) FROM boards) + 1",
        );
        $this->database->exec("INSERT INTO open_items (id, job_id, board_id, kind, text, since, open, ended_by)
            SELECT CONCAT('00H', LPAD(seq, 23, '0')), CONCAT('00B', LPAD(seq, 23, '0')), NULL, IF(seq % 2, 'waiting', 'hazard'),
                    'long ago', '2005-01-01', 0, NULL FROM seq_1_to_{$jobs}");
        $step = 200_000;
        for ($from = 0; $from < $entries; $from += $step) {
            $first = $from + 1;
            $last = $from + $step;
            $this->entries(
                "SELECT j.id AS job, j.board_id AS board, s.seq FROM seq_{$first}_to_{$last} s JOIN jobs j ON j.id = CONCAT('00B', LPAD(1 + "
                    ."(s.seq - 1) DIV {$each}, 23, '0'))",
                'BULK',
            );
        }
        $this->one('ANALYZE TABLE jobs, entries, open_items');
    }

    private function entries(string $source, string $mark): void
    {
        $this->database->exec("INSERT INTO entries (id, job_id, board_id, kind, stage, at, author, minutes, text, data, fingerprint, received_at)
            SELECT CONCAT('00', RPAD('{$mark}', 12, '0'), LPAD(x.seq, 12, '0')), x.job, x.board, 'observation', 'find',
                    DATE_ADD('2005-01-01', INTERVAL x.seq MINUTE), 'Someone', 1,
                   CONCAT('saw that the fault comes and goes with the temperature of the room, try ', x.seq), '{}', REPEAT('0', 64), NOW() FROM ({$source}) x");
    }

    /** So many entries on the board of a job, spread over that many older jobs. */
    public function heap(string $job, int $jobs, int $entries): string
    {
        $columns = 'machine_id, board_id, owner, outcome, handed_back, minutes, allowance_minutes, opened_at, closed_at, last_entry_at, sheet';
        $this->database->exec("INSERT INTO jobs (id, title, state, stage, {$columns})
            SELECT CONCAT('00X', LPAD(seq, 23, '0')), 'heaped', 'closed', 'close', {$columns} FROM jobs JOIN seq_1_to_{$jobs} WHERE id = '{$job}'");
        $this->entries(
            "SELECT CONCAT('00X', LPAD(1 + seq % {$jobs}, 23, '0')) AS job, '{$this->boardOf($job)}' AS board, seq FROM seq_1_to_{$entries}",
            'HEAP',
        );
        $this->one('ANALYZE TABLE jobs, entries');

        return $this->boardOf($job);
    }

    /** Photos without files, one after the other on jobs whose identifier begins so: heaped ("00X", after heap()) or spread ("00B", after fill()). */
    public function photoRows(string $jobs, int $of, int $photos): void
    {
        $mark = $jobs === '00X' ? 'HP' : 'SP';
        $job = "CONCAT('{$jobs}', LPAD(1 + seq % {$of}, 23, '0'))";
        $this->database->exec("INSERT INTO photos (id, job_id, board_id, author, width, height, bytes, sha256, taken_in_at)
            SELECT CONCAT('00{$mark}', LPAD(seq, 22, '0')), jobs.id, board_id, 'x', 2000, 1500, 1, REPEAT('0', 64), DATE_ADD('2007-01-01', INTERVAL seq MINUTE)
            FROM seq_1_to_{$photos} JOIN jobs ON jobs.id = {$job}");
        $this->database->exec("INSERT INTO entries (id, job_id, board_id, kind, stage, at, author, minutes, text, data, fingerprint, received_at)
            SELECT CONCAT('00{$mark}E', LPAD(seq, 21, '0')), jobs.id, board_id, 'photo', 'find', DATE_ADD('2007-01-01', INTERVAL seq MINUTE), 'x', 0,
              CONCAT('Photo ', seq),
                CONCAT('{\"photo\":\"00{$mark}', LPAD(seq, 22, '0'), '\"}'), REPEAT('0', 64), NOW() FROM seq_1_to_{$photos} JOIN jobs ON jobs.id = {$job}");
        $this->one('ANALYZE TABLE photos, entries');
    }

    /**
     * The queries that the application asks while something runs, each once: the server writes them down.
     *
     * @return list<string>
     */
    public function asked(\Closure $run): array
    {
        $server = new \PDO("mysql:unix_socket={$this->var}/mariadb/db.sock", (string) get_current_user());
        $server->exec("SET GLOBAL log_output = 'TABLE'");
        $server->exec('TRUNCATE mysql.general_log');
        $server->exec('SET GLOBAL general_log = ON');
        try {
            $run();
        } finally {
            $server->exec('SET GLOBAL general_log = OFF');
        }
        $found = [];
        foreach ($server->query(
            "SELECT argument FROM mysql.general_log WHERE command_type IN ('Execute', 'Query') AND argument LIKE 'select %'",
        ) ?: [] as $row) {
            $sql = is_array($row) && is_string($row['argument'] ?? null) ? $row['argument'] : '';
            // Once for queries that differ in their values.
            $found[preg_replace("/'(?:[^'\\\\]|\\\\.)*'|\\b\\d+\\b/", '?', $sql) ?? $sql] ??= $sql;
        }

        return array_values($found);
    }

    /** What ANALYZE says of a query. */
    public function plan(string $sql): string
    {
        return $this->one("ANALYZE FORMAT=JSON {$sql}");
    }

    public function counts(): string
    {
        return "{$this->one('SELECT COUNT(*) FROM jobs')} jobs, {$this->one('SELECT COUNT(*) FROM entries')} entries";
    }

    /** A shelf of that many capacitors, many of them of one value. */
    public function shelf(int $parts): void
    {
        $values = [1e-7, 1e-6, 1e-5, 1e-4, 1e-3, 2.2e-3, 4.7e-3, 6.8e-3];
        foreach (array_chunk(range(1, $parts), 1000) as $chunk) {
            $rows = array_map(
                static fn (int $i): string => sprintf(
                    "('%s', 'BULK-%06d', 'Part %d', 'aluminium', %.10F, %d, '{\"hours\": %d, \"temperature_c\": 105, \"pitch_mm\": 7.5}', "
                        ."%d, 'drawer %d', 0, '2026-01-01')",
                    strtolower((string) Ulid::generate()),
                    $i,
                    $i,
                    $values[$i % 8],
                    [16, 25, 35, 50][$i % 4],
                    1000 + $i % 9 * 1000,
                    $i % 7,
                    $i % 40,
                ),
                $chunk,
            );
            $this->database->exec(
                'INSERT INTO shelf_items (id, sku, name, kind, marked_f, rated_v, spec, quantity, place, tested, came_on) VALUES '.implode(', ', $rows),
            );
        }
    }
}
