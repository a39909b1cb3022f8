{{-- A family to pick from: each cell is sold by Enter, so many as was typed on it. --}}
<div class="look-head"><strong>{{ $grid->family->name }}</strong> <a class="code"
    href="{{ route('families.show', $grid->family) }}">{{ $grid->family->code }}</a>
    <span class="figure verdigris fw-bold" data-many-typed></span>
    <span class="ms-auto small soft">free here, <b>+</b> on order, price · type how many, <kbd>Enter</kbd> sells,
        <kbd>Esc</kbd> leaves</span></div>
@include('catalogue.families.grid', ['does' => 'pick'])
