<?php

declare(strict_types=1);

namespace Elmstone\Support;

/** What is worked out once a day, by whoever comes first; a room tags it as `mornings`. Done twice, it is done once. */
interface InTheMorning
{
    public function ofToday(): void;
}
