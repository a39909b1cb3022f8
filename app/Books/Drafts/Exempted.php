<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Tax\Exemption;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;

/** That a customer was exempt from tax: by which certificate, from what, and the taxes as they stood on that day. */
final readonly class Exempted
{
    public const EVERYTHING = '*';

    /**
     * @param  list<string>  $from component ids, or "*"
     * @param  list<TaxComponent>  $profile every component of the place, exempt or not
     */
    public function __construct(
        public string $certificate,
        public string $expires,
        public array $from,
        public array $profile,
    ) {
    }

    public function exemption(): Exemption
    {
        $known = array_map(static fn (TaxComponent $component): string => $component->id, $this->profile);

        return in_array(self::EVERYTHING, $this->from, true)
            ? Exemption::everything()
            : Exemption::from(array_values(array_intersect($this->from, $known)));
    }

    public function taxProfile(): TaxProfile
    {
        return TaxProfile::of(...$this->profile);
    }

    public function toJson(): string
    {
        return json_encode(
            [
                'certificate' => $this->certificate,
                'expires' => $this->expires,
                'from' => $this->from,
                'profile' => array_map(
                    static fn (TaxComponent $component): array => [
                        'id' => $component->id,
                        'rate' => $component->rate->toString(),
                        'classes' => $component->classes,
                        'on_top_of' => $component->onTopOf,
                    ],
                    $this->profile,
                ),
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    public static function fromJson(?string $json): ?self
    {
        if ($json === null) {
            return null;
        }

        /**
         * @var array{
         *     certificate: string, expires: string, from: list<string>,
         *     profile: list<array{id: string, rate: string, classes: list<string>, on_top_of: list<string>}>
         * } $data
         */
        $data = json_decode($json, true, 16, JSON_THROW_ON_ERROR);

        return new self(
            $data['certificate'],
            $data['expires'],
            $data['from'],
            array_map(
                static fn (array $component): TaxComponent => new TaxComponent(
                    $component['id'],
                    Percentage::of($component['rate']),
                    $component['classes'],
                    $component['on_top_of'],
                ),
                $data['profile'],
            ),
        );
    }
}
