<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Database\Eloquent\Model;

/** A row whose identifier is a ULID that the client made, with times to the millisecond of its own and none of Eloquent's. */
abstract class ClientKeyed extends Model
{
    public $incrementing = false;
    public $timestamps = false;
    protected $keyType = 'string';
    protected $guarded = [];
    protected $dateFormat = 'Y-m-d H:i:s.v';
}
