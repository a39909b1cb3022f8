<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

/** Something that must hold whenever the books are proved. */
interface Check
{
    public function prove(Proof $proof): void;
}
