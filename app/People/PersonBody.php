<?php

declare(strict_types=1);

namespace App\People;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** A person of the workshop. */
#[ApiBody]
final readonly class PersonBody
{
    /** @param ?string $password needed for a new person */
    public function __construct(
        #[Text(120)]
        public string $name,
        #[EmailAddress]
        public string $email,
        public Role $role,
        public ?bool $active = null,
        #[NewPassword]
        public ?string $password = null,
    ) {
    }
}
