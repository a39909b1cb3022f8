<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

/** A check that people look at by itself before they close a month. */
interface Topic extends Check
{
    /** What is right where it finds nothing: "Accounts come to what receivables say". */
    public function inWords(): string;

    /** The name of the page where what it looks at is listed. */
    public function page(): string;
}
