<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

/** What a bank's file says. */
final readonly class BankFileRead
{
    /**
     * @param  list<BankEntryRead>  $entries money that came in
     * @param  int  $left how many entries were left out, because money went out by them or they are not booked yet
     */
    public function __construct(public string $format, public string $account, public string $statement, public array $entries, public int $left)
    {
    }
}
