@use('Elmstone\Foundation\Show')
@if($lines === [] && $typed === '' && $customer === '')
    <p class="soft small mb-1">Scan the receipt. Without one: type the customer’s name, or what it was.</p>
@elseif($lines === [])
    <p class="ochre small mb-1">Nothing that was sold fits “{{ $typed }}”{{ $customer === '' ? '' : " for {$customer}" }}.</p>
@else
    <div class="returnable">
    <table class="ruled small">
        <thead><tr><th>Item</th><th class="figure">Bought</th><th class="figure">Can come back</th><th class="figure">Gives back each</th><th class="figure">All of it</th><th class="figure">Comes back</th></tr></thead>
        <tbody>
        @foreach($lines as $line)
            @if($loop->first || $lines[$loop->index - 1]->label !== $line->label)
                <tr class="of-document"><td colspan="5"><span class="code">{{ $line->label }}</span> · {{ Show::date($line->day) }}{{ $line->customer === '' ? '' : " · {$line->customer}" }}</td><td class="figure"><button type="button" class="link-act" data-all-of="{{ $line->label }}">All of it</button></td></tr>
            @endif
            <tr @class(['soft' => $line->left === '0'])>
                <td>{{ $line->description }} <span class="code">{{ $line->code }}</span>
                    @if($line->left !== '0' && $line->outside !== '')<div class="ochre">{{ $line->outside }}: needs approval</div>@elseif($line->left !== '0' && $line->policy !== 'at any time')<div class="soft">{{ $line->policy }}</div>@endif
                    @if($line->serials !== [])<div class="soft">serial no. {{ implode(', ', $line->serials) }}</div>@endif</td>
                <td class="figure">{{ $line->bought }}</td>
                <td class="figure">{{ $line->left === '0' ? 'all came back' : $line->left }}</td>
                <td class="figure">{{ $line->left === '0' ? '' : Show::money($line->each) }}</td>
                <td class="figure">{{ $line->left === '0' ? '' : Show::money($line->all) }}</td>
                <td class="figure">@if($line->left !== '0')<input class="cell back-quantity" name="back[{{ $line->origin->key() }}]" id="back-{{ $line->origin->documentId }}-{{ $line->origin->position }}" inputmode="decimal" autocomplete="off" placeholder="0" aria-label="How many of {{ $line->description }} come back" data-left="{{ $line->left }}" data-of="{{ $line->label }}">@endif</td>
            </tr>
        @endforeach
        </tbody>
    </table>
    </div>
    <div class="d-flex justify-content-between align-items-baseline mt-1"><span class="small soft">{{ count($lines) === $most ? "The newest {$most}. Type part of the item to see older ones." : '' }}</span><button class="quiet-act" id="back-take">Bring back <kbd>↵</kbd></button></div>
@endif
@foreach($items as $item)
    @if($loop->first)<p class="small soft mt-2 mb-1">Without a receipt: at the lowest price of late, to store credit or a gift card</p>@endif
    <button type="button" class="link-act d-block small" data-blind="{{ $item->id }}" data-url="{{ route('counter.back.blind', $slip) }}"><span class="code">{{ $item->code }}</span> {{ $item->description }}</button>
@endforeach
