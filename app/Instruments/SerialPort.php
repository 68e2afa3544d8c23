<?php

declare(strict_types=1);

namespace App\Instruments;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A serial line that a serial-to-network adapter carries, set up by a lead.
 *
 * @property string $id
 * @property string $name
 * @property string $host    loopback or private address, never a name
 * @property int    $port
 * @property bool   $standin the simulated tester that ships with the application
 * @property bool   $active
 */
final class SerialPort extends Model
{
    use HasUlids;

    protected $fillable = ['name', 'host', 'port', 'standin', 'active'];

    protected $attributes = ['standin' => false, 'active' => true];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['standin' => 'boolean', 'active' => 'boolean'];
    }

    /** The stand-in writes where bin/start put it, whatever the row said when it was seeded. */
    public function address(): Address
    {
        /** @var array{host: string, port: int} $standin */
        $standin = config('instruments.standin_tester');

        return $this->standin ? new Address($standin['host'], $standin['port']) : new Address($this->host, $this->port);
    }
}
