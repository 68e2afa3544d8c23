<?php

declare(strict_types=1);

namespace App\Report;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A read-only link for an owner to one report. The address is signed and expires; a lead can take it back earlier.
 *
 * @property string           $id
 * @property string           $job_id
 * @property string           $author
 * @property CarbonImmutable  $expires_at
 * @property ?CarbonImmutable $revoked_at
 */
final class ReportLink extends Model
{
    use HasUlids;

    public const UPDATED_AT = null;
    protected $fillable = ['job_id', 'author', 'expires_at', 'revoked_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'immutable_datetime', 'revoked_at' => 'immutable_datetime'];
    }

    public function open(): bool
    {
        return $this->revoked_at === null && $this->expires_at->isFuture();
    }
}
