<?php

declare(strict_types=1);

namespace App\Report;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A long report as PDF, made in the background. It can be made again from the record, so it is kept for some days only.
 *
 * @property string          $id
 * @property string          $job_id
 * @property string          $record     digest of what is on it
 * @property PaperState      $state
 * @property int             $done       lines that are on paper
 * @property int             $total
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 */
final class Paper extends Model
{
    use HasUlids;

    protected $fillable = ['job_id', 'record', 'state', 'done', 'total'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => PaperState::class, 'created_at' => 'immutable_datetime', 'updated_at' => 'immutable_datetime'];
    }

    public function file(): string
    {
        return storage_path("app/papers/{$this->id}.pdf");
    }
}
