<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Rails\MeterAccuracy;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A meter on the bench's network, set up by a lead.
 *
 * @property string $id
 * @property string $name
 * @property string $host         loopback or private address, never a name
 * @property int    $port
 * @property float  $reading_pct  accuracy: % of reading
 * @property float  $counts       accuracy: counts
 * @property float  $resolution_v volts a count
 * @property bool   $standin      the simulated meter that ships with the application
 * @property bool   $active
 */
final class Meter extends Model
{
    use HasUlids;

    protected $fillable = ['name', 'host', 'port', 'reading_pct', 'counts', 'resolution_v', 'standin', 'active'];

    protected $attributes = ['standin' => false, 'active' => true];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['reading_pct' => 'float', 'counts' => 'float', 'resolution_v' => 'float', 'standin' => 'boolean', 'active' => 'boolean'];
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
