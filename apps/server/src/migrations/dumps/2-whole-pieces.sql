CREATE TABLE public.bead (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.cord (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.fitting (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.make (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    piece_id uuid NOT NULL,
    piece json NOT NULL,
    plan json NOT NULL,
    done integer DEFAULT 0 NOT NULL,
    total integer NOT NULL,
    record json,
    logged_at timestamp with time zone,
    abandoned_at timestamp with time zone,
    CONSTRAINT make_check CHECK (((done >= 0) AND (done <= total))),
    CONSTRAINT make_total_check CHECK ((total > 0))
);

CREATE TABLE public.migrations (
    id integer NOT NULL,
    "timestamp" bigint NOT NULL,
    name character varying NOT NULL
);

CREATE SEQUENCE public.migrations_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;

ALTER SEQUENCE public.migrations_id_seq OWNED BY public.migrations.id;

CREATE TABLE public.piece (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    spec json NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL,
    archived_at timestamp with time zone
);

CREATE TABLE public.wearer (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    workshop_id uuid NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    value json NOT NULL
);

CREATE TABLE public.workshop (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    name text NOT NULL,
    maker text NOT NULL,
    settings json NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL
);

ALTER TABLE ONLY public.migrations ALTER COLUMN id SET DEFAULT nextval('public.migrations_id_seq'::regclass);

INSERT INTO public.fitting VALUES ('36318c28-8a01-454a-8740-6e75224c4aab', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.559391+00', '{"name" : "Buckle", "closure" : {"bar": 3, "name": "Buckle", "slot": 16, "type": "side-release-buckle", "colour": "#2b3136", "barToBar": 34, "thickness": 9.5}}');

INSERT INTO public.make VALUES ('7ddf5845-775a-4022-9e94-638a7d09d999', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56703+00', 'f80f5e08-8777-4bc0-913d-7f199d6e0347', '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"ends":"singe","wear":{"site":"wrist","turns":1,"length":null},"strands":[{"cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"legs":["core","core"],"laidIn":false},{"cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"legs":["working","working"],"laidIn":true}],"beads":[],"parts":[{"id":"band","form":"flat","tension":"even","length":null,"kind":"square-knot-sinnet","units":null}],"closure":{"type":"side-release-buckle","name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"},"cutting":{"practice":"practised","sureness":0.95,"step":10}}', '{"ok":true,"fit":{"girth":183,"ease":25.4,"length":209.81876291036843,"filled":true,"target":208.4,"targetReasons":[{"code":"fit.girth","label":"Wrist","detail":"measured on the bare body","mm":183},{"code":"fit.ease","label":"Room","detail":"added for how tight it is worn","mm":25.4}],"fitted":209.81876291036843,"lengthReasons":[{"code":"fit.target","label":"Inner circumference","detail":"what it is to measure inside","mm":208.4},{"code":"fit.thickness","label":"Thickness","detail":"the middle of the work runs on a larger round than its inside","mm":29.377321797818155},{"code":"fit.closure","label":"Closure","detail":"its share of the round; the body is taken as round there","mm":-27.95855888744974}],"circumference":208.39999999873214,"gap":4.042535554332356,"states":[{"id":"closed","label":"Closed","circumference":208.39999999873214}],"pass":null},"parts":[{"id":"band","kind":"square-knot-sinnet","layout":{"length":209.81876291036843,"width":20.88,"thickness":10.8,"pitch":7.235129755529946,"units":29,"unitName":"half knot","round":[{"kind":"flexible","length":209.81876291036843,"height":5.4}],"uses":[{"strand":1,"half":0,"reason":{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":209.81876291036843,"times":{"count":1,"each":209.81876291036843}}},{"strand":1,"half":1,"reason":{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":209.81876291036843,"times":{"count":1,"each":209.81876291036843}}},{"strand":2,"half":0,"reason":{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"half of the cord that each takes over the core and its turned-back ends","mm":171.55030131125326,"times":{"count":5,"each":34.31006026225065},"assumed":false,"spread":0.11}},{"strand":2,"half":1,"reason":{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"half of the cord that each takes over the core and its turned-back ends","mm":171.55030131125326,"times":{"count":5,"each":34.31006026225065},"assumed":false,"spread":0.11}},{"strand":2,"half":0,"reason":{"code":"knot.half","label":"Half knots, over the core","detail":"half of the cord that each takes over the core","mm":739.4606462940155,"times":{"count":24,"each":30.810860262250646},"assumed":false,"spread":0.11}},{"strand":2,"half":1,"reason":{"code":"knot.half","label":"Half knots, over the core","detail":"half of the cord that each takes over the core","mm":739.4606462940155,"times":{"count":24,"each":30.810860262250646},"assumed":false,"spread":0.11}}],"passages":[],"beads":[],"needs":[],"auxiliary":[],"findings":[]},"start":0}],"closure":{"states":[{"id":"closed","label":"Closed","extra":[{"kind":"rigid","length":34,"height":4.75}]}],"reach":{"start":20.4,"end":27.200000000000003},"uses":[{"strand":1,"half":0,"reason":{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","assumed":true,"mm":24.334511513692636,"times":{"count":1,"each":24.334511513692636}}},{"strand":1,"half":1,"reason":{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","assumed":true,"mm":24.334511513692636,"times":{"count":1,"each":24.334511513692636}}},{"strand":1,"half":0,"reason":{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":10.367255756846317,"times":{"count":1,"each":10.367255756846317}}},{"strand":1,"half":1,"reason":{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":10.367255756846317,"times":{"count":1,"each":10.367255756846317}}},{"strand":1,"half":0,"reason":{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":30,"times":{"count":1,"each":30}}},{"strand":1,"half":1,"reason":{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":30,"times":{"count":1,"each":30}}},{"strand":1,"half":0,"reason":{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":50,"times":{"count":1,"each":50}}},{"strand":1,"half":1,"reason":{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":50,"times":{"count":1,"each":50}}}],"auxiliary":[],"needs":[{"label":"Buckle","count":1}],"passages":[],"findings":[],"measures":{"thickness":9.5,"along":34}},"strands":[{"number":1,"role":"Core cord","cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"reasons":[{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","mm":48.66902302738527,"assumed":true,"times":{"count":2,"each":24.334511513692636}},{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":419.63752582073687,"times":{"count":2,"each":209.81876291036843}},{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":20.734511513692635,"times":{"count":2,"each":10.367255756846317}},{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":60,"times":{"count":2,"each":30}},{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":100,"times":{"count":2,"each":50}}],"total":649.0410603618147,"cut":650,"given":false,"fold":325,"leftover":100.95893963818526,"kept":549.0410603618147},{"number":2,"role":"Working cord","cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"reasons":[{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"both ends, over the core and its turned-back ends","mm":343.1006026225065,"spread":0.11,"technique":"square-knot-sinnet","times":{"count":5,"each":68.6201205245013}},{"code":"knot.half","label":"Half knots, over the core","detail":"both ends, over the core","mm":1478.921292588031,"spread":0.11,"technique":"square-knot-sinnet","times":{"count":24,"each":61.62172052450129}},{"code":"end.tail","label":"Tails","detail":"for the fingers to tie the last knot; trimmed afterwards","mm":300,"times":{"count":2,"each":150}},{"code":"reserve","label":"Reserve","detail":"hands differ by about 11 % in the cord a knot takes; with this much more it lasts 95 times in 100","mm":361.37247161602664}],"total":2483.3943668265647,"cut":2490,"given":false,"fold":1245,"leftover":656.9214596970846,"kept":1833.0785403029154}],"auxiliary":[],"totals":{"cut":3140,"inWork":2241.659421031274,"perLength":10.683789142293623,"leftover":757.8803993352699,"counts":[{"unitName":"half knot","count":29}],"ownCuts":3140,"equalCuts":4980},"counters":{"left":0,"right":0,"middle":0,"symmetric":true,"beads":[],"needs":[{"label":"Buckle","count":1}]},"rules":[{"label":"A foot per inch, and 1 to 1½ ft more","low":2822.6251549244216,"high":2975.0251549244217}],"findings":[]}', 45, 45, '{"cords":[{"cut":700,"leftover":80},{"cut":2600,"leftover":300}],"length":210,"minutes":50}', '2026-01-02 10:00:00+00', NULL);
INSERT INTO public.make VALUES ('c7e8062e-0ca3-4990-b2ba-1a3061066c5e', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56913+00', 'f80f5e08-8777-4bc0-913d-7f199d6e0347', '{"name":"Old band","wearer":{"name":"Somebody","wrist":18},"ease":{"rule":"two-fingers"},"ends":"singe","wear":{"site":"wrist","turns":1,"length":null},"strands":[{"cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"legs":["core","core"],"laidIn":false},{"cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"legs":["working","working"],"laidIn":true}],"beads":[],"parts":[{"id":"band","form":"flat","tension":"even","length":null,"kind":"square-knot-sinnet","units":null}],"closure":{"type":"side-release-buckle","name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"},"cutting":{"practice":"practised","sureness":0.95,"step":10}}', '{}', 9, 60, NULL, NULL, '2026-11-25 21:50:20.748856+00');
INSERT INTO public.make VALUES ('de3e461b-13a7-4248-99c4-824395b5895c', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.570324+00', '1abf13dc-da76-42e5-95f0-fe414fbe594c', '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"ends":"singe","wear":{"site":"wrist","turns":1,"length":null},"strands":[{"cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"legs":["core","core"],"laidIn":false},{"cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"legs":["working","working"],"laidIn":true}],"beads":[],"parts":[{"id":"band","form":"flat","tension":"even","length":null,"kind":"square-knot-sinnet","units":null}],"closure":{"type":"side-release-buckle","name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"},"cutting":{"practice":"practised","sureness":0.95,"step":10}}', '{"ok":true,"fit":{"girth":183,"ease":25.4,"length":209.81876291036843,"filled":true,"target":208.4,"targetReasons":[{"code":"fit.girth","label":"Wrist","detail":"measured on the bare body","mm":183},{"code":"fit.ease","label":"Room","detail":"added for how tight it is worn","mm":25.4}],"fitted":209.81876291036843,"lengthReasons":[{"code":"fit.target","label":"Inner circumference","detail":"what it is to measure inside","mm":208.4},{"code":"fit.thickness","label":"Thickness","detail":"the middle of the work runs on a larger round than its inside","mm":29.377321797818155},{"code":"fit.closure","label":"Closure","detail":"its share of the round; the body is taken as round there","mm":-27.95855888744974}],"circumference":208.39999999873214,"gap":4.042535554332356,"states":[{"id":"closed","label":"Closed","circumference":208.39999999873214}],"pass":null},"parts":[{"id":"band","kind":"square-knot-sinnet","layout":{"length":209.81876291036843,"width":20.88,"thickness":10.8,"pitch":7.235129755529946,"units":29,"unitName":"half knot","round":[{"kind":"flexible","length":209.81876291036843,"height":5.4}],"uses":[{"strand":1,"half":0,"reason":{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":209.81876291036843,"times":{"count":1,"each":209.81876291036843}}},{"strand":1,"half":1,"reason":{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":209.81876291036843,"times":{"count":1,"each":209.81876291036843}}},{"strand":2,"half":0,"reason":{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"half of the cord that each takes over the core and its turned-back ends","mm":171.55030131125326,"times":{"count":5,"each":34.31006026225065},"assumed":false,"spread":0.11}},{"strand":2,"half":1,"reason":{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"half of the cord that each takes over the core and its turned-back ends","mm":171.55030131125326,"times":{"count":5,"each":34.31006026225065},"assumed":false,"spread":0.11}},{"strand":2,"half":0,"reason":{"code":"knot.half","label":"Half knots, over the core","detail":"half of the cord that each takes over the core","mm":739.4606462940155,"times":{"count":24,"each":30.810860262250646},"assumed":false,"spread":0.11}},{"strand":2,"half":1,"reason":{"code":"knot.half","label":"Half knots, over the core","detail":"half of the cord that each takes over the core","mm":739.4606462940155,"times":{"count":24,"each":30.810860262250646},"assumed":false,"spread":0.11}}],"passages":[],"beads":[],"needs":[],"auxiliary":[],"findings":[]},"start":0}],"closure":{"states":[{"id":"closed","label":"Closed","extra":[{"kind":"rigid","length":34,"height":4.75}]}],"reach":{"start":20.4,"end":27.200000000000003},"uses":[{"strand":1,"half":0,"reason":{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","assumed":true,"mm":24.334511513692636,"times":{"count":1,"each":24.334511513692636}}},{"strand":1,"half":1,"reason":{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","assumed":true,"mm":24.334511513692636,"times":{"count":1,"each":24.334511513692636}}},{"strand":1,"half":0,"reason":{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":10.367255756846317,"times":{"count":1,"each":10.367255756846317}}},{"strand":1,"half":1,"reason":{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":10.367255756846317,"times":{"count":1,"each":10.367255756846317}}},{"strand":1,"half":0,"reason":{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":30,"times":{"count":1,"each":30}}},{"strand":1,"half":1,"reason":{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":30,"times":{"count":1,"each":30}}},{"strand":1,"half":0,"reason":{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":50,"times":{"count":1,"each":50}}},{"strand":1,"half":1,"reason":{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":50,"times":{"count":1,"each":50}}}],"auxiliary":[],"needs":[{"label":"Buckle","count":1}],"passages":[],"findings":[],"measures":{"thickness":9.5,"along":34}},"strands":[{"number":1,"role":"Core cord","cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"reasons":[{"code":"start.hitch","label":"Starting hitch","detail":"half of a lark’s head on the first buckle half: once round the bar, and half the bight","mm":48.66902302738527,"assumed":true,"times":{"count":2,"each":24.334511513692636}},{"code":"run.straight","label":"Straight runs","detail":"as long as the work they lie in","mm":419.63752582073687,"times":{"count":2,"each":209.81876291036843}},{"code":"closure.turn","label":"Turn through the second half","detail":"half a turn round its bar","mm":20.734511513692635,"times":{"count":2,"each":10.367255756846317}},{"code":"closure.buried","label":"Turned-back ends","detail":"laid back along the core and hidden under the first half knots","mm":60,"times":{"count":2,"each":30}},{"code":"end.grip","label":"Ends to hold","detail":"to pull the core straight by; trimmed afterwards","mm":100,"times":{"count":2,"each":50}}],"total":649.0410603618147,"cut":650,"given":false,"fold":325,"leftover":100.95893963818526,"kept":549.0410603618147},{"number":2,"role":"Working cord","cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"reasons":[{"code":"knot.half","label":"Half knots, over the core and its turned-back ends","detail":"both ends, over the core and its turned-back ends","mm":343.1006026225065,"spread":0.11,"technique":"square-knot-sinnet","times":{"count":5,"each":68.6201205245013}},{"code":"knot.half","label":"Half knots, over the core","detail":"both ends, over the core","mm":1478.921292588031,"spread":0.11,"technique":"square-knot-sinnet","times":{"count":24,"each":61.62172052450129}},{"code":"end.tail","label":"Tails","detail":"for the fingers to tie the last knot; trimmed afterwards","mm":300,"times":{"count":2,"each":150}},{"code":"reserve","label":"Reserve","detail":"hands differ by about 11 % in the cord a knot takes; with this much more it lasts 95 times in 100","mm":361.37247161602664}],"total":2483.3943668265647,"cut":2490,"given":false,"fold":1245,"leftover":656.9214596970846,"kept":1833.0785403029154}],"auxiliary":[],"totals":{"cut":3140,"inWork":2241.659421031274,"perLength":10.683789142293623,"leftover":757.8803993352699,"counts":[{"unitName":"half knot","count":29}],"ownCuts":3140,"equalCuts":4980},"counters":{"left":0,"right":0,"middle":0,"symmetric":true,"beads":[],"needs":[{"label":"Buckle","count":1}]},"rules":[{"label":"A foot per inch, and 1 to 1½ ft more","low":2822.6251549244216,"high":2975.0251549244217}],"findings":[]}', 14, 45, NULL, NULL, NULL);

INSERT INTO public.migrations VALUES (1, 1700000000001, 'Foundation1700000000001');
INSERT INTO public.migrations VALUES (2, 1700000000002, 'WholePieces1700000000002');

INSERT INTO public.piece VALUES ('f80f5e08-8777-4bc0-913d-7f199d6e0347', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.563815+00', 1, '{"name":"Old band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"ends":"singe","wear":{"site":"wrist","turns":1,"length":null},"strands":[{"cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"legs":["core","core"],"laidIn":false},{"cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"legs":["working","working"],"laidIn":true}],"beads":[],"parts":[{"id":"band","form":"flat","tension":"even","length":null,"kind":"square-knot-sinnet","units":null}],"closure":{"type":"side-release-buckle","name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"},"cutting":{"practice":"practised","sureness":0.95,"step":10}}', '2026-11-25 21:50:20.563815+00', NULL);
INSERT INTO public.piece VALUES ('1abf13dc-da76-42e5-95f0-fe414fbe594c', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.565037+00', 1, '{"name":"Another band","wearer":{"name":"Somebody","wrist":183},"ease":{"rule":"two-fingers"},"ends":"singe","wear":{"site":"wrist","turns":1,"length":null},"strands":[{"cord":{"name":"slate","kind":"paracord","diameter":4,"colour":{"name":"slate","hex":"#5b6b78"}},"legs":["core","core"],"laidIn":false},{"cord":{"name":"orange","kind":"paracord","diameter":4,"colour":{"name":"orange","hex":"#5b6b78"}},"legs":["working","working"],"laidIn":true}],"beads":[],"parts":[{"id":"band","form":"flat","tension":"even","length":null,"kind":"square-knot-sinnet","units":null}],"closure":{"type":"side-release-buckle","name":"Buckle","slot":16,"barToBar":34,"thickness":9.5,"bar":3,"colour":"#2b3136"},"cutting":{"practice":"practised","sureness":0.95,"step":10}}', '2026-11-25 21:50:20.565037+00', NULL);

INSERT INTO public.wearer VALUES ('348a1ab3-baa3-4bbd-88ff-5fea0fdbce42', 'b6b07446-7bb7-45ed-9af3-635dae972050', '2026-11-25 21:50:20.56078+00', '{"name":"Somebody","wrist":183}');

INSERT INTO public.workshop VALUES ('b6b07446-7bb7-45ed-9af3-635dae972050', 'Bench', 'Maker', '{"ends": {"burns": "glue", "melts": "singe", "leather": "glue"}, "hand": "right", "step": 10, "unit": "cm", "cordUnit": "ft", "practice": "practised", "sureness": 0.95}', '2026-11-25 21:50:20.558175+00');

ALTER TABLE ONLY public.migrations
    ADD CONSTRAINT "PK_8c82d7f526340ab734260ea46be" PRIMARY KEY (id);

ALTER TABLE ONLY public.bead
    ADD CONSTRAINT bead_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.cord
    ADD CONSTRAINT cord_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.fitting
    ADD CONSTRAINT fitting_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.piece
    ADD CONSTRAINT piece_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.wearer
    ADD CONSTRAINT wearer_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.workshop
    ADD CONSTRAINT workshop_pkey PRIMARY KEY (id);

CREATE INDEX bead_workshop_id_created_at_idx ON public.bead USING btree (workshop_id, created_at);

CREATE INDEX cord_workshop_id_created_at_idx ON public.cord USING btree (workshop_id, created_at);

CREATE INDEX fitting_workshop_id_created_at_idx ON public.fitting USING btree (workshop_id, created_at);

CREATE INDEX make_workshop_id_created_at_idx ON public.make USING btree (workshop_id, created_at);

CREATE UNIQUE INDEX one_make_under_way ON public.make USING btree (piece_id) WHERE ((logged_at IS NULL) AND (abandoned_at IS NULL));

CREATE INDEX piece_workshop_id_created_at_idx ON public.piece USING btree (workshop_id, created_at);

CREATE INDEX wearer_workshop_id_created_at_idx ON public.wearer USING btree (workshop_id, created_at);

ALTER TABLE ONLY public.bead
    ADD CONSTRAINT bead_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.cord
    ADD CONSTRAINT cord_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.fitting
    ADD CONSTRAINT fitting_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_piece_id_fkey FOREIGN KEY (piece_id) REFERENCES public.piece(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.make
    ADD CONSTRAINT make_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.piece
    ADD CONSTRAINT piece_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

ALTER TABLE ONLY public.wearer
    ADD CONSTRAINT wearer_workshop_id_fkey FOREIGN KEY (workshop_id) REFERENCES public.workshop(id) ON DELETE CASCADE;

SELECT pg_catalog.setval('public.migrations_id_seq', 2, true);
