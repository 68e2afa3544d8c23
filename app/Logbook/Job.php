<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Outcome;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * One visit to the bench.
 *
 * @property string               $id
 * @property int                  $number
 * @property string               $machine_id
 * @property string               $board_id
 * @property string               $title
 * @property string               $owner
 * @property string               $state             open, parked or closed
 * @property Stage                $stage
 * @property ?Outcome             $outcome
 * @property bool                 $handed_back
 * @property int                  $minutes
 * @property int                  $allowance_minutes
 * @property CarbonImmutable      $opened_at
 * @property ?CarbonImmutable     $closed_at
 * @property CarbonImmutable      $last_entry_at
 * @property array<string, mixed> $sheet
 * @property int                  $version           counts up with every entry
 * @property ?CarbonImmutable     $evidence_at       of the last entry that brought something
 * @property int                  $idle_minutes      of hands since then
 * @property bool                 $imported          came in with a record that was written elsewhere
 */
final class Job extends Model
{
    use HasUlids;

    protected $fillable = [
        'id', 'machine_id', 'board_id', 'title', 'owner', 'state', 'stage', 'outcome', 'handed_back', 'minutes',
        'allowance_minutes', 'opened_at', 'closed_at', 'last_entry_at', 'sheet', 'number', 'imported',
    ];
    /** @var array<string, mixed> */
    protected $attributes = ['idle_minutes' => 0];
    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'stage' => Stage::class,
            'outcome' => Outcome::class,
            'handed_back' => 'boolean',
            'imported' => 'boolean',
            'opened_at' => 'immutable_datetime',
            'closed_at' => 'immutable_datetime',
            'last_entry_at' => 'immutable_datetime',
            'evidence_at' => 'immutable_datetime',
            'sheet' => 'array',
        ];
    }

    /** The job as it is about another of its boards. It is never saved. */
    public function about(?string $board): self
    {
        if ($board === null || strcasecmp($board, $this->board_id) === 0) {
            return $this;
        }
        $about = clone $this;
        $about->board_id = strtolower($board);

        return $about;
    }

    /** @throws InvalidDocument when it is no board of this job's machine */
    public function atHand(Node $query): self
    {
        $board = $query->filled('board')?->string();
        if ($board !== null
            && strcasecmp($board, $this->board_id) !== 0
            && !Board::query()->where('machine_id', $this->machine_id)->whereKey($board)->exists()) {
            $query->at('board')->refuse('is not a board of this machine');
        }

        return $this->about($board);
    }

    /** What is known of what it is about. */
    public function profile(): Profile
    {
        return Described::of($this->machine_id, $this->board_id)->profile;
    }

    /**
     * What was opened on this job, or on a board of its machine by another one.
     *
     * @param \Illuminate\Database\Eloquent\Builder<OpenItem> $query
     */
    public function ours(\Illuminate\Database\Eloquent\Builder $query): void
    {
        $boards = Board::query()->select('id')->where('machine_id', $this->machine_id);
        $query->where('job_id', $this->id)->orWhereIn('board_id', $boards);
    }

    public function label(): string
    {
        return sprintf('J-%04d', $this->number);
    }
}
