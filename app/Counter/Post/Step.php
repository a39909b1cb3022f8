<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\DocumentKind;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;

/**
 * One step of posting a slip. Each is a class of its own under the tag "slip.steps"; posting goes through them in that
 * order, each writes down in the posting what it wrote, and does nothing where the slip asks nothing of it.
 */
abstract readonly class Step
{
    /** @return list<DocumentKind> what it may write, so that all series are taken in one order before the first */
    public function kinds(ReckonedCounter $reckoned): array
    {
        return [];
    }

    /** @throws Refused */
    abstract public function post(SlipPosting $posting): void;
}
