<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\Profile;
use Illuminate\Database\Eloquent\Model;

/** An entry on its way into the record. */
final readonly class Taking
{
    /** @var \stdClass what was looked for, by class and id */
    private \stdClass $known;

    /**
     * @param bool         $only  it is only asked what would become of it: nothing outside the database may be touched, and that is undone
     * @param list<object> $found what whoever asks has found already
     */
    public function __construct(
        public Job $job,
        public Profile $profile,
        public Person $who,
        public EntryDraft $draft,
        public bool $only = false,
        private array $found = [],
    ) {
        $this->known = new \stdClass();
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
        $known = $this->known->{$key} ?? null;
        if ($known instanceof $class) {
            return $known;
        }
        foreach ($this->found as $it) {
            if ($it instanceof $class && $it instanceof Model && is_string($it->getKey()) && strcasecmp($it->getKey(), $id) === 0) {
                return $it;
            }
        }
        $this->known->{$key} = $known = $find();

        return $known;
    }
}
