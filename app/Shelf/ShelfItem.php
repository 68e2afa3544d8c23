<?php

declare(strict_types=1);

namespace App\Shelf;

use Ash\Capacitors\Stock;
use Ash\Document\Shape;
use Ash\Facts\CapacitorKind;
use Ash\Facts\FittedPart;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * Parts of one sort in one place.
 *
 * @property string          $id
 * @property string          $sku
 * @property string          $name
 * @property ?string         $kind           of a capacitor; null for other parts
 * @property ?float          $marked_f
 * @property ?float          $rated_v
 * @property ShelfSpec       $spec           further fields of a capacitor on the shelf
 * @property int             $quantity       the sum of its moves
 * @property ?int            $low_at         at or below this it is low
 * @property string          $place
 * @property ?string         $source
 * @property ?string         $donor_board_id the board an original came from
 * @property bool            $tested
 * @property CarbonImmutable $came_on
 */
final class ShelfItem extends Model
{
    use HasUlids;

    protected $fillable = [
        'id',
        'sku',
        'name',
        'kind',
        'marked_f',
        'rated_v',
        'spec',
        'quantity',
        'low_at',
        'place',
        'source',
        'donor_board_id',
        'tested',
        'came_on',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'spec' => ShelfSpecCast::class,
            'marked_f' => 'float',
            'rated_v' => 'float',
            'quantity' => 'integer',
            'low_at' => 'integer',
            'tested' => 'boolean',
            'came_on' => 'immutable_date',
        ];
    }

    public function low(): bool
    {
        return $this->low_at !== null && $this->quantity <= $this->low_at;
    }

    /** @return array<string, string|float|int|bool|null> its fields as they are written down, without the quantity */
    public function written(): array
    {
        /** @var array<string, string|float> $spec */
        $spec = Shape::of(ShelfSpec::class)->write($this->spec);

        return [
            ...$spec, 'sku' => $this->sku, 'name' => $this->name, 'kind' => $this->kind, 'marked_f' => $this->marked_f, 'rated_v' => $this->rated_v,
            'low_at' => $this->low_at, 'place' => $this->place, 'source' => $this->source, 'donor_board' => $this->donor_board_id, 'tested' => $this->tested,
            'came_on' => $this->came_on->format('Y-m-d'),
        ];
    }

    /** As a fitted one is judged; null for what is no capacitor with a value. */
    public function part(): ?FittedPart
    {
        $spec = $this->spec;

        return $this->kind === null || $this->marked_f === null || $this->rated_v === null ? null
            : new FittedPart(CapacitorKind::from($this->kind), $this->marked_f, $this->rated_v, $spec->toleranceMinusPct, $spec->tolerancePlusPct);
    }

    /** As the core chooses among; null for what is no capacitor with a value. */
    public function stock(int $free): ?Stock
    {
        $spec = $this->spec;

        return $this->kind === null || $this->marked_f === null || $this->rated_v === null ? null : new Stock(
            sku: $this->sku,
            kind: CapacitorKind::from($this->kind),
            markedF: $this->marked_f,
            ratedV: $this->rated_v,
            quantity: max(0, $free),
            esrOhm: $spec->esrOhm,
            hours: $spec->hours,
            temperatureC: $spec->temperatureC,
            diameterMm: $spec->diameterMm,
            heightMm: $spec->heightMm,
            pitchMm: $spec->pitchMm,
            safetyClass: $spec->safetyClass,
        );
    }
}
