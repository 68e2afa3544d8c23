<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\ClientKeyed;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\Dialect;
use Ash\Memory\LinePattern;
use Carbon\CarbonImmutable;

/**
 * A line of a tester that the reader was taught. One that is put away stays: runs that are kept were read with it.
 *
 * @property string          $id
 * @property ?string         $machine_id
 * @property ?string         $port_id
 * @property string          $pattern    as JSON
 * @property string          $example    the line it was made from
 * @property string          $author
 * @property CarbonImmutable $created_at
 * @property bool            $active
 */
final class TaughtLine extends ClientKeyed
{
    private const MOST = 500;

    protected $table = 'line_patterns';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['created_at' => 'immutable_datetime', 'active' => 'boolean'];
    }

    public function read(): LinePattern
    {
        return Shape::of(LinePattern::class)->read(Node::parse($this->pattern));
    }

    public static function json(LinePattern $pattern): string
    {
        return json_encode((object) Shape::of(LinePattern::class)->write($pattern), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    /** What a source's tester and machine have taught; what is being tried comes first. */
    public static function dialect(?string $machine, ?string $port, ?LinePattern $trying = null): Dialect
    {
        $lines = self::query()
            ->where('active', true)
            ->where(static fn ($query) => $query->where('machine_id', $machine ?? '')->orWhere('port_id', $port ?? ''))
            ->orderBy('created_at')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();

        return new Dialect(...($trying === null ? [] : [$trying]), ...$lines->map(static fn (self $it): LinePattern => $it->read())->all());
    }
}
