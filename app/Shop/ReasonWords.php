<?php

declare(strict_types=1);

namespace Elmstone\Shop;

/** Reasons that are typed: the words the shop offers for them. Anything else can be typed, too. */
final class ReasonWords
{
    /** What is asked for a reason, in words. */
    public const KINDS = [
        'approval' => 'Offered for approvals',
        'write_off' => 'Offered for debts written off',
        'money' => 'Offered for cash put into the drawer and taken out',
    ];

    public function __construct(private readonly House $house)
    {
    }

    /**
     * @param  key-of<self::KINDS>  $kind
     * @return list<string>
     */
    public function offered(string $kind): array
    {
        $set = $this->house->shop()->reasons[$kind] ?? '';

        return is_string($set) ? array_values(array_filter(
            array_map('trim', explode("\n", $set)),
            static fn (string $one): bool => $one !== '',
        )) : [];
    }
}
