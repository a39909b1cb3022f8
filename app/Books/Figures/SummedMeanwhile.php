<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use RuntimeException;

/** The documents that were about to be summed are summed by somebody else: this transaction is rolled back. */
final class SummedMeanwhile extends RuntimeException
{
}
