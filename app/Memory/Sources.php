<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Conflict;
use App\Http\Once;
use App\Instruments\SerialPort;
use App\Logbook\Described;
use App\Logbook\Job;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Memory\FittedMemory;
use Ash\Memory\Pattern;
use Ash\Memory\SourceForm;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;

/** Takes in what a memory test gave. Nothing of it is in the record until someone keeps it. */
final readonly class Sources
{
    /** Bytes of text that may be pasted; more is handed in as a file. */
    public const MOST_TEXT = 1_500_000;

    /** Bytes of a file, some millions of rows. The web server and PHP hold the same (deploy/nginx.conf, deploy/php.ini); bin/ash reads any length. */
    public const MOST_FILE = 100_000_000;

    /** Bytes that are read at once where a line does not end. */
    private const LONGEST_LINE = 1 << 17;

    /** Seconds to wait for the capture program to end a capture. */
    private const STOP_WAIT = 2.0;

    public static function text(Job $job, MemoryTextBody $body, Person $who): Source
    {
        return self::take($job, $body, $who, SourceForm::Text, static function (Source $source) use ($body): void {
            file_put_contents($source->file(), $body->text, LOCK_EX);
        });
    }

    public static function csv(Job $job, MemoryCsvBody $fields, ?UploadedFile $file, Person $who): Source
    {
        if ($file === null || !$file->isValid()) {
            throw InvalidDocument::at('/file', $file === null ? 'is missing' : 'did not arrive whole, or is larger than '.(self::MOST_FILE / 1_000_000).' MB');
        }

        return self::take($job, $fields, $who, SourceForm::Csv, static function (Source $source) use ($file): void {
            $file->move(dirname($source->file()), basename($source->file()));
        });
    }

    public static function capture(Job $job, CaptureBody $body, Person $who): Source
    {
        $port = SerialPort::query()->where('active', true)->find($body->port)
            ?? throw InvalidDocument::at('/port', 'there is no such serial port, or it is put away');
        $busy = Source::query()->where('port_id', $port->id)->whereIn('state', self::active())->where('id', '<>', $body->id)->first();
        $busy === null || throw Conflict::at('/port', "{$busy->author} is listening there already");

        return self::take($job, $body, $who, SourceForm::Capture, static function (Source $source): void {
            touch($source->file());
        }, $port->id);
    }

    /** Read again with another radix, pattern or choice of banks; typed text may have grown. What is kept in the record stays as it was. */
    public static function again(Source $source, ReadAgainBody $body): Source
    {
        !$source->state->active() || throw InvalidDocument::at('', 'stop the capture first');
        CompleteMemory::kept($source) === null || throw InvalidDocument::at('', 'is kept in the record: read the text anew');
        if ($body->text !== null) {
            $source->kind === SourceForm::Text || throw InvalidDocument::at('/text', 'is taken for typed text only');
            file_put_contents($source->file(), $body->text, LOCK_EX);
        }
        $source->fill(self::settings($body, $source->fitted()));
        self::read($source);
        $source->save();

        return $source;
    }

    public static function stop(Source $source): Source
    {
        if (!$source->state->active()) {
            return $source;
        }
        Source::query()->where('id', $source->id)->update(['state' => SourceState::Stopping]);
        $until = microtime(true) + self::STOP_WAIT;
        do {
            usleep(50_000);
            $source->refresh();
        } while ($source->state === SourceState::Stopping && microtime(true) < $until);
        if ($source->state->active()) {
            // The program that listens is away: what it wrote down is read here.
            self::read($source);
            $source->fill([
                'state' => SourceState::Stopped,
                'why' => 'the capture program did not answer; what it wrote down was read',
                'updated_at' => now(),
            ])->save();
        }

        return $source;
    }

    /** @return list<SourceState> */
    public static function active(): array
    {
        return array_values(array_filter(SourceState::cases(), static fn (SourceState $it): bool => $it->active()));
    }

    /** @param ?string $path where its text lies while it is not here yet */
    public static function read(Source $source, ?string $path = null): void
    {
        $path ??= $source->file();
        $file = fopen($path, 'r') ?: throw new \RuntimeException("{$path} cannot be read");
        $seconds = config('instruments.read_time');
        $patience = is_numeric($seconds) ? (float) $seconds : 0.0;
        PHP_SAPI === 'cli' || set_time_limit((int) (2 * $patience));
        $reader = ReadSource::of($source);
        $lines = static function () use ($file, $reader, $patience): \Generator {
            $until = microtime(true) + $patience;
            for ($n = 1; ($line = fgets($file, self::LONGEST_LINE)) !== false; ++$n) {
                if ($n % 1000 === 0 && microtime(true) > $until) {
                    $reader->givenUp($patience);

                    return;
                }
                yield $line;
            }
        };
        $source->kind === SourceForm::Csv ? $reader->csv($lines()) : $reader->text($lines());
        fclose($file);
        $source->result = $reader->result();
        if ($source->kind !== SourceForm::Capture) {
            $source->fill(['state' => $reader->cut() === null ? SourceState::Whole : SourceState::Cut, 'why' => $reader->cut(), 'updated_at' => now()]);
        }
    }

    /** @param \Closure(Source): void $lay puts the file down */
    private static function take(
        Job $job,
        MemoryTextBody|MemoryCsvBody|CaptureBody $body,
        Person $who,
        SourceForm $kind,
        \Closure $lay,
        ?string $port = null,
    ): Source {
        $id = $body->id;
        // One after the other: the file has the source's name, and who loses must not take the first one's away.
        $lock = Cache::lock("memory-source:{$id}", 180);

        return $lock->block(120, static fn (): Source => self::alone($job, $body, $who, $kind, $lay, $port));
    }

    /** @param \Closure(Source): void $lay puts the file down */
    private static function alone(
        Job $job,
        MemoryTextBody|MemoryCsvBody|CaptureBody $body,
        Person $who,
        SourceForm $kind,
        \Closure $lay,
        ?string $port,
    ): Source {
        $id = $body->id;
        $known = Source::query()->find($id);
        if ($known !== null) {
            return $known->job_id === $job->id && $known->kind === $kind ? $known : throw Conflict::at('/id', 'another source has this id');
        }
        if ($job->state !== 'open') {
            throw InvalidDocument::at('', "the job is {$job->state}: reopen it first");
        }
        [$memory, $document] = self::memory($job, $body->map);
        $source = new Source([
            'id' => $id, 'job_id' => $job->id, 'kind' => $kind,
            'state' => $kind === SourceForm::Capture ? SourceState::Running : SourceState::Whole, 'memory' => $document,
            'radix' => $memory->map->radix->value, 'pattern' => Pattern::None->value, 'port_id' => $port, 'author' => $who->name,
            'started_at' => now(), 'updated_at' => now(),
            ...self::settings($body, $memory),
        ]);
        $lay($source);
        try {
            self::read($source);
            Once::transaction(static fn () => $source->save());
        } catch (UniqueConstraintViolationException) {
            @unlink($source->file());
            throw Conflict::at('/port', 'somebody is listening there already');
        } catch (\Throwable $problem) {
            @unlink($source->file());
            throw $problem;
        }

        return $source;
    }

    /** @return array{FittedMemory, string} the memory, and its part of the profile as JSON */
    private static function memory(Job $job, string $key): array
    {
        $profile = Node::parse(Described::of($job->machine_id, $job->board_id)->json);
        foreach ($profile->optional('memories')?->items() ?? [] as $memory) {
            if ($memory->at('key')->string() === $key) {
                return [FittedMemory::read($memory), json_encode($memory->raw(), JSON_THROW_ON_ERROR)];
            }
        }
        throw InvalidDocument::at('/map', "the machine's profile has no memory \"{$key}\"");
    }

    /** @return array<string, int|string|list<string>|null> what was said of how to read it */
    private static function settings(MemoryTextBody|MemoryCsvBody|CaptureBody|ReadAgainBody $body, FittedMemory $memory): array
    {
        $tooWide = $body->pattern === Pattern::Mix && $memory->map->wordBits > 32;
        !$tooWide || throw InvalidDocument::at('/pattern', 'mix takes words of at most 32 bits');
        $tested = $body->tested === null ? null : self::banks($body->tested, $memory, $body instanceof MemoryCsvBody);

        return [
            ...($body->radix === null ? [] : ['radix' => $body->radix]),
            ...($body->pattern === null ? [] : ['pattern' => $body->pattern->value]),
            ...($tested === null ? [] : ['tested' => count($tested) === count($memory->map->banks) ? null : $tested]),
        ];
    }

    /**
     * @param list<string> $names
     * @param bool         $asText they came with commas in one field
     *
     * @return list<string>
     */
    private static function banks(array $names, FittedMemory $memory, bool $asText): array
    {
        foreach ($names as $i => $name) {
            isset($memory->map->byName["\0{$name}"]) || throw InvalidDocument::at($asText ? '/tested' : "/tested/{$i}", "there is no bank \"{$name}\"");
        }

        return $names;
    }
}
