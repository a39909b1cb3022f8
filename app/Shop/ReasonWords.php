<?php

declare(strict_types=1);

namespace Elmstone\Shop;

/** Reasons that are typed: the words the shop offers for them. Anything else can be typed, too. */
final class ReasonWords
{
    /** What is asked for a reason, in words. */
    public const KINDS = [
        'approval' => 'Approvals',
        'write_off' => 'Write-offs of debts and goods',
        'money' => 'Cash put into and taken out of the drawer',
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
