@use('Elmstone\Support\Show')
{{-- A family’s grid. $does: see, pick (at the counter), prices, barcodes, codes, count; $place: one or null. --}}
@php($family = $grid->family)
@php([$picks, $sees] = [$does === 'pick', $does === 'see'])
@php($address = $sees ? route('items.show', ['item' => '-code-']) : '')
<div class="family-scroll" tabindex="-1"><table class="family-grid" x-data="familyGrid" @keydown="key"
    @if($picks) @click="pick" @endif>
    <thead><tr><th scope="col">{{ $family->first }}@if($family->second !== '') <span class="soft">×
        {{ $family->second }}</span>@endif</th>
        @foreach($grid->columns as $value)<th scope="col" class="figure">{{ $value }}</th>@endforeach</tr></thead>
    <tbody>@foreach($grid->rows as $row => $value)<tr><th scope="row">{{ $value }}</th>
        @foreach(array_keys($grid->columns) as $column)
            @php($cell = $grid->at($row, $column))
            @php($item = $cell?->item)
            @php($at = $does === 'codes' ? "{$row}-{$column}" : $item?->id)
            <td @class(['off-sale' => $item?->active === false])>
            @if($does === 'codes')
                <input class="form-control code @error("cell.{$at}") is-refused @enderror" name="cell[{{ $at }}]"
                    maxlength="24" data-cell aria-label="Code of {{ $family->described($row, $column) }}"
                        value="{{ old("cell.{$at}", $item?->code) }}">@include('design.complaint',
                            ['field' => "cell.{$at}"])
            @elseif($item === null)<span class="soft" title="no item">·</span>
            @elseif(! $picks && ! $sees)
                <input class="form-control figure-in @error("cell.{$at}") is-refused @enderror" name="cell[{{ $at }}]"
                    data-cell maxlength="24" inputmode="{{ $does === 'barcodes' ? 'numeric' : 'decimal' }}"
                        aria-label="{{ $item->description }}"
                            @if($does === 'prices') placeholder="{{ $family->list_price === null ? ''
                                : Show::price($family->list_price) }}" @endif
                                value="{{ old("cell.{$at}", match ($does) {
                                    'prices' => $family->list_price?->equals($item->list_price) === true ? ''
                                        : Show::price($item->list_price),
                                    'barcodes' => $item->barcode,
                                    default => $counts[$item->id] ?? '',
                                }) }}">@include('design.complaint', ['field' => "cell.{$at}"])
                @if($does === 'count')<span class="beside">{{ $beside[$item->id] ?? '' }}</span>@endif
            @else
                @php([$free, $hand] = [$cell->free($place), $cell->onHand($place)])
                @php([$aside, $coming] = [$cell->committed($place), $cell->onOrder($place)])
                @php($many = $picks ? $free : $hand)
                @if($picks)<button type="button" data-cell data-item="{{ $item->id }}"
                    data-code="{{ $item->code }}" @disabled(! $item->active)
                        tabindex="{{ $loop->parent->first && $loop->first ? 0 : -1 }}">
                @else<a data-cell href="{{ str_replace('-code-', rawurlencode($item->code), $address) }}"
                    title="{{ $item->code }}">@endif
                    <span class="there {{ $many->isPositive() ? '' : 'ochre' }}"><span
                        class="visually-hidden">{{ $item->description }}: </span>{{ Show::decimal($many) }}<span
                            class="visually-hidden">{{ $picks ? ' free' : ' on hand' }}</span></span>
                    <span class="beside">@unless($picks || $aside->isZero())−{{ Show::decimal($aside) }}<span
                        class="visually-hidden"> set aside</span>@endunless @unless($coming->isZero())+{{
                            Show::decimal($coming) }}<span class="visually-hidden"> on order</span>@endunless
                        @isset($quotes[$item->id]){{ Show::price($quotes[$item->id]->price) }}@endisset</span>
                @if($picks)</button>@else</a>@endif
            @endif</td>
        @endforeach</tr>@endforeach</tbody>
</table></div>
