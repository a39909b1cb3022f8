@use('Elmstone\Support\Show')
<div x-data="narrows">
    <div class="d-flex gap-2 align-items-baseline mb-1">
        <label for="bought-find" class="small soft">{{ $name === '' ? 'Put a customer on the slip first.'
            : "What {$name} bought, and paid" }}</label>
        <input class="form-control form-control-sm w-auto flex-fill" id="bought-find" autocomplete="off"
            placeholder="narrow" @input="narrow" @keydown.enter.prevent="first" @disabled($name === '')>
    </div>
    @foreach($bought as $one)
        <button type="button" class="row-bought" data-row data-again="{{ $one->itemId }}">
            <span class="code">{{ $one->code }}</span><span>{{ $one->description }}</span>
            <span class="figure">{{ Show::decimal($one->quantity) }} × {{ Show::price($one->price) }} {{ $one->off }}
            </span><span class="small soft">{{ Show::date($one->day) }}{{ $one->times > 1 ? " · {$one->times} times"
                : '' }}</span><span class="link-act small">Again</span>
        </button>
    @endforeach
    @if($name !== '' && $bought === [])<p class="soft small mb-0">Nothing yet.</p>@endif
</div>
