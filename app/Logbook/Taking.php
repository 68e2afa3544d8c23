<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\Profile;

/** An entry on its way into the record. */
final readonly class Taking
{
    /** @var \stdClass what was found, by class and id */
    private \stdClass $found;

    /** @param bool $only it is only asked what would become of it: nothing outside the database may be touched, and that is undone */
    public function __construct(public Job $job, public Profile $profile, public Person $who, public EntryDraft $draft, public bool $only = false)
    {
        $this->found = new \stdClass();
    }

    /**
     * What several steps look for is looked for once.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     * @param \Closure(): T   $find
     *
     * @return T
     */
    public function once(string $class, string $id, \Closure $find): object
    {
        $key = "{$class} {$id}";
        $known = $this->found->{$key} ?? null;
        if (!$known instanceof $class) {
            $this->found->{$key} = $known = $find();
        }

        return $known;
    }
}
