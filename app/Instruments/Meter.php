<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\InvalidDocument;
use Ash\Rails\MeterAccuracy;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A meter on the bench's network, set up by a lead.
 *
 * @property string  $id
 * @property string  $name
 * @property string  $host            loopback or private address, never a name
 * @property int     $port
 * @property float   $reading_pct     accuracy: % of reading
 * @property float   $counts          accuracy: counts
 * @property float   $resolution_v    volts a count
 * @property ?string $esr_query       what the meter is asked for ESR in ohm; null: it cannot
 * @property ?string $tan_delta_query what it is asked for tan delta; null: it cannot
 * @property ?float  $loss_hz         Hz at which it reads both; null: unknown, and counts as high
 * @property bool    $standin         the simulated meter that ships with the application
 * @property bool    $active
 */
final class Meter extends Model
{
    use HasUlids;

    /** How the simulated meter reads a capacitor's losses. */
    public const STANDIN_LOSSES = ['esr_query' => 'MEAS:CAP:ESR?', 'tan_delta_query' => 'MEAS:CAP:LOSS?', 'loss_hz' => 120];

    protected $fillable = ['name', 'host', 'port', 'reading_pct', 'counts', 'resolution_v', 'esr_query', 'tan_delta_query', 'loss_hz', 'standin', 'active'];

    protected $attributes = ['standin' => false, 'active' => true];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['reading_pct' => 'float', 'counts' => 'float', 'resolution_v' => 'float', 'loss_hz' => 'float', 'standin' => 'boolean', 'active' => 'boolean'];
    }

    /** @throws InvalidDocument at /meter, when there is none or it is put away */
    public static function active(string $id): self
    {
        return self::query()->where('active', true)->find($id) ?? throw InvalidDocument::at('/meter', 'there is no such meter, or it is put away');
    }

    public function accuracy(): MeterAccuracy
    {
        return MeterAccuracy::of($this->reading_pct, $this->counts, $this->resolution_v);
    }

    /** The stand-in listens where bin/start put it, whatever the row said when it was seeded. */
    public function address(): Address
    {
        /** @var array{host: string, port: int} $standin */
        $standin = config('instruments.standin');

        return $this->standin ? new Address($standin['host'], $standin['port']) : new Address($this->host, $this->port);
    }
}
