<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Setup\Sections\DepartmentsSection;
use Elmstone\Setup\Sections\MailSection;
use Elmstone\Setup\Sections\NumbersSection;
use Elmstone\Setup\Sections\OwnerSection;
use Elmstone\Setup\Sections\PapersSection;
use Elmstone\Setup\Sections\PlacesSection;
use Elmstone\Setup\Sections\ReasonsSection;
use Elmstone\Setup\Sections\RetentionSection;
use Elmstone\Setup\Sections\ShopSection;
use Elmstone\Setup\Sections\TaxesSection;
use Elmstone\Setup\Sections\TermsSection;
use Elmstone\Setup\Sections\TillsSection;

/** Every part of what can be set, in the order in which a shop is set up. */
final readonly class Sections
{
    /** The steps of setting up. */
    private const STEPS = [
        ShopSection::class, TaxesSection::class, PlacesSection::class, TillsSection::class, DepartmentsSection::class,
        OwnerSection::class, TermsSection::class, NumbersSection::class,
    ];

    /** The pages of the settings. Who works here has a page of their own. */
    private const PAGES = [
        ShopSection::class, PapersSection::class, PlacesSection::class, TillsSection::class, TaxesSection::class,
        DepartmentsSection::class, TermsSection::class, NumbersSection::class, MailSection::class,
        ReasonsSection::class, RetentionSection::class,
    ];

    /** @return array<string, Section> by key */
    public function steps(): array
    {
        return self::made(self::STEPS);
    }

    /** @return array<string, Section> by key */
    public function pages(): array
    {
        return self::made(self::PAGES);
    }

    /** @return array<string, Section> by key: all that a file may have */
    public function all(): array
    {
        return [...$this->steps(), ...$this->pages()];
    }

    /**
     * @param  list<class-string<Section>>  $classes
     * @return array<string, Section>
     */
    private static function made(array $classes): array
    {
        $sections = [];

        foreach ($classes as $class) {
            $section = app($class);
            $sections[$section->key()] = $section;
        }

        return $sections;
    }
}
