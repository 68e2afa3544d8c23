<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\ClientKeyed;
use App\Logbook\Job;
use Ash\Document\Node;
use Ash\Memory\Dialect;
use Ash\Memory\FittedMemory;
use Ash\Memory\LinePattern;
use Ash\Memory\Pattern;
use Ash\Memory\SourceForm;
use Ash\Quantity\Radix;
use Carbon\CarbonImmutable;

/**
 * What a memory test gave, before it is kept in the record: pasted text, a CSV file, or a capture over a serial port.
 *
 * @property string           $id         ULID made by the client
 * @property string           $job_id
 * @property SourceForm       $kind
 * @property SourceState      $state
 * @property ?string          $why        what cut it short
 * @property string           $memory     the memory of the profile as it was then, as JSON
 * @property int              $radix
 * @property string           $pattern
 * @property ?list<string>    $tested     bank names; null for all
 * @property ?string          $port_id
 * @property ?SourceRead      $result     what was read and located
 * @property bool             $kept       an entry of the record came from it
 * @property string           $author
 * @property CarbonImmutable  $started_at
 * @property CarbonImmutable  $updated_at
 * @property ?CarbonImmutable $heard_at   when the last line of a capture came in
 */
final class Source extends ClientKeyed
{
    protected $table = 'memory_sources';

    /** A line that is being taught, and not kept yet. */
    public ?LinePattern $trying = null;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => SourceForm::class, 'state' => SourceState::class, 'tested' => 'array', 'kept' => 'boolean', 'result' => SourceReadCast::class,
            'started_at' => 'immutable_datetime', 'updated_at' => 'immutable_datetime', 'heard_at' => 'immutable_datetime',
        ];
    }

    /** What its tester and its machine have taught the reader. */
    public function dialect(): Dialect
    {
        $machine = Job::query()->whereKey($this->job_id)->value('machine_id');

        return TaughtLine::dialect(is_string($machine) ? $machine : null, $this->port_id, $this->trying);
    }

    public function fitted(): FittedMemory
    {
        return FittedMemory::read(Node::parse($this->memory));
    }

    public function inRadix(): Radix
    {
        return Radix::from($this->radix);
    }

    public function withPattern(): Pattern
    {
        return Pattern::from($this->pattern);
    }

    /** The text as it came in. */
    public function file(): string
    {
        $folder = storage_path('app/memory');
        is_dir($folder) || @mkdir($folder, 0700, true) || is_dir($folder) || throw new \RuntimeException("{$folder} cannot be made");

        return "{$folder}/{$this->id}.txt";
    }
}
