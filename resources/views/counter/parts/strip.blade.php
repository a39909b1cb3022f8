{{-- What is done with the slip as a whole: what is done often in one row, the rest behind one key. --}}
@use('Elmstone\Staff\Ability')
<div class="acts" id="acts" data-part>
@unless($slip->isDone())
    <button type="button" class="link-act" data-toggles="one-off">One-off line <kbd>Alt L</kbd></button>
    <button type="button" class="link-act" data-toggles="bring-back">Goods back <kbd>Alt R</kbd></button>
    <button type="button" class="link-act" data-toggles="slip-note">{{ $slip->note === '' ? 'Set aside'
        : 'Note' }} <kbd>Alt B</kbd></button>
    <button type="button" class="link-act" data-toggles="more-acts">More <kbd>Alt .</kbd></button>
    <div id="more-acts" class="more-acts" role="group" aria-label="More" x-data="more" @flip-panel.window="flip"
        @keydown.escape="escape" @keydown="key" @click="chosen" hidden>
        @foreach(array_filter([
            ['W', 'slip-discount', 'Whole-slip discount', 'Alt W'],
            ['K', 'coupon-form', 'Coupon', 'Alt K'],
            ['I', 'gift-card', 'Sell or top up a gift card', 'Alt I'],
            $staff->mayDo(Ability::Backdate) ? ['Y', 'other-day', 'Another day', 'Alt Y'] : null,
            $staff->mayDo(Ability::SeeMargin) ? ['M', 'margin', 'Margin', 'Alt M'] : null,
            ['S', 'sold-by', 'Sold by, or together with', ''],
            ['E', 'own-terms', 'Tax or price level, this sale only', ''],
            ['D', 'drawer', 'Open the drawer, no sale', ''],
            ['P', 'person-panel', 'Someone else serves', ''],
        ]) as [$letter, $opens, $words, $key])
        <button type="button" id="more-{{ $letter }}" data-letter="{{ $letter }}"
            data-toggles="{{ $opens }}"><kbd>{{ $letter }}</kbd> {{ $words }} <span class="soft">{{ $key }}</span>
            </button>
        @endforeach
        <button type="button" id="more-C" data-letter="C"
            data-sends="{{ route('counter.copy', $slip->key) }}"><kbd>C</kbd> Copy of the last receipt</button>
        @if($slip->lines->isNotEmpty() || $slip->returns->isNotEmpty())
        <button type="button" id="more-Z" data-letter="Z" data-clears
            data-sends="{{ route('counter.clear', $slip->key) }}"><kbd>Z</kbd> Clear the lot <span
                class="soft">Alt Z</span></button>@endif
    </div>
@endunless
</div>
