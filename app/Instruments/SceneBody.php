<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** What a stand-in shall show. */
#[ApiBody]
final readonly class SceneBody
{
    public function __construct(
        #[Text(60)]
        public string $scene,
    ) {
    }
}
