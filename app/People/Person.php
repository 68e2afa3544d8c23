<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Foundation\Auth\User;

/**
 * Someone who signs in.
 *
 * @property string $id
 * @property string $name
 * @property string $email
 * @property string $password hashed
 * @property Role   $role
 * @property bool   $active
 */
final class Person extends User
{
    use HasUlids;

    protected $table = 'people';
    protected $fillable = ['name', 'email', 'password', 'role', 'active'];
    protected $hidden = ['password', 'remember_token', 'calendar_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'active' => 'boolean'];
    }
}
