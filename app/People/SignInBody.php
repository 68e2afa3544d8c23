<?php

declare(strict_types=1);

namespace App\People;

use App\Http\ApiBody;
use Ash\Document\Field\Letters;
use Ash\Document\Field\Text;

/** Who signs in. */
#[ApiBody]
final readonly class SignInBody
{
    public function __construct(
        #[Text(190)]
        public string $email,
        #[Letters]
        public string $password,
    ) {
    }
}
